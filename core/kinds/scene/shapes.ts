import { modelMillimetres, type ScaleName } from '../../quantity/scale';
import type { MovingEffectName } from '../../supply/drivers/effects';
import type { SceneRecord, SceneShape } from './record';

/** A lamp of a shape: what it is called, its type, and where it sits as shares of width and height. */
interface ShapeLamp {
  readonly name: string;
  readonly part: string;
  readonly x: number;
  readonly y: number;
  /** The group it moves with. */
  readonly group: string;
}

/** What one group of a shape does to begin with. */
interface ShapeGroup {
  readonly id: string;
  readonly name: string;
  readonly effect: MovingEffectName;
  /** Where it is not as the effect commonly is. */
  readonly parameters?: readonly number[];
}

/** A sort of scene as it commonly is; sizes full size, in metres (common practice, no source). */
interface Shape {
  readonly name: string;
  readonly says: string;
  readonly width: number;
  readonly height: number;
  readonly lamps: readonly ShapeLamp[];
  readonly groups: readonly ShapeGroup[];
}

const row = (
  count: number,
  of: (i: number, share: number) => Omit<ShapeLamp, 'group'>,
  group: string,
): ShapeLamp[] =>
  Array.from({ length: count }, (_, i) => ({ ...of(i, count === 1 ? 0.5 : i / (count - 1)), group }));

export const shapes: Readonly<Record<SceneShape, Shape>> = {
  ride: {
    name: 'Fairground ride',
    says: 'lamps round a canopy, a ring that runs, a motor',
    width: 6.6,
    height: 6,
    lamps: [
      ...row(
        4,
        (i, s) => ({ name: `Canopy lamp ${i + 1}`, part: 'yellow', x: 0.1 + 0.8 * s, y: 0.62 }),
        'canopy',
      ),
      ...row(
        2,
        (i) => ({ name: `Inside ${i + 1}`, part: 'white-warm', x: 0.42 + 0.16 * i, y: 0.4 }),
        'inside',
      ),
    ],
    groups: [
      { id: 'canopy', name: 'Canopy', effect: 'alternate' },
      { id: 'inside', name: 'Inside', effect: 'steady' },
    ],
  },
  sign: {
    name: 'Sign',
    says: 'letters or bulbs that chase, wink and stand',
    width: 6,
    height: 4,
    lamps: row(
      8,
      (i, s) => ({ name: `Bulb ${i + 1}`, part: 'yellow', x: 0.08 + 0.84 * s, y: 0.86 }),
      'bulbs',
    ),
    groups: [{ id: 'bulbs', name: 'Bulbs', effect: 'chase' }],
  },
  shop: {
    name: 'Shop front',
    says: 'tubes that start, a television, a sign that breathes',
    width: 9,
    height: 7,
    lamps: [
      { name: 'Tube', part: 'white-cool', x: 0.28, y: 0.3, group: 'tube' },
      { name: 'Television', part: 'blue', x: 0.72, y: 0.3, group: 'television' },
      { name: 'Name board', part: 'white-warm', x: 0.5, y: 0.58, group: 'board' },
    ],
    groups: [
      { id: 'tube', name: 'Tube', effect: 'fluorescent' },
      { id: 'television', name: 'Television', effect: 'television' },
      { id: 'board', name: 'Name board', effect: 'steady' },
    ],
  },
  shed: {
    name: 'Shed with a welder',
    says: 'an arc behind the door, a work lamp',
    width: 9,
    height: 6.5,
    lamps: [
      { name: 'Arc', part: 'white-cool', x: 0.42, y: 0.16, group: 'arc' },
      { name: 'Work lamp', part: 'white-warm', x: 0.5, y: 0.5, group: 'work' },
    ],
    groups: [
      { id: 'arc', name: 'Arc', effect: 'welder' },
      { id: 'work', name: 'Work lamp', effect: 'steady' },
    ],
  },
  fire: {
    name: 'Fire',
    says: 'a brazier, a camp fire, a fire under a boiler',
    width: 1.6,
    height: 1.4,
    lamps: [
      { name: 'Embers', part: 'red', x: 0.32, y: 0.28, group: 'fire' },
      { name: 'Flame', part: 'yellow', x: 0.5, y: 0.42, group: 'fire' },
      { name: 'Glow', part: 'red', x: 0.68, y: 0.28, group: 'fire' },
    ],
    groups: [{ id: 'fire', name: 'Fire', effect: 'fire' }],
  },
  lighthouse: {
    name: 'Lighthouse',
    says: 'a beam that turns, the keeper from room to room',
    width: 5.2,
    height: 13.5,
    lamps: [
      ...row(
        2,
        (i) => ({ name: `Lantern ${i + 1}`, part: 'white-warm', x: 0.44 + 0.12 * i, y: 0.86 }),
        'lantern',
      ),
      { name: 'Watch room', part: 'white-warm', x: 0.5, y: 0.64, group: 'keeper' },
      { name: 'Bedroom', part: 'white-warm', x: 0.5, y: 0.44, group: 'keeper' },
      { name: 'Kitchen', part: 'white-warm', x: 0.5, y: 0.2, group: 'keeper' },
    ],
    groups: [
      { id: 'lantern', name: 'Lantern', effect: 'beacon' },
      // Somebody goes about quickly: every room is lit within the time line.
      { id: 'keeper', name: 'Keeper’s rooms', effect: 'rooms', parameters: [2000, 60] },
    ],
  },
};

/** The least a scene measures on the model: lamps have to go in. */
const LEAST_MILLIMETRES = 14;

/** A scene as it commonly measures, at a scale. */
export function usualBody(shape: SceneShape, scale: ScaleName): SceneRecord['body'] {
  const size = (metres: number): number =>
    Math.max(LEAST_MILLIMETRES, Math.round(modelMillimetres(metres, scale)));
  return {
    shape,
    widthMillimetres: size(shapes[shape].width),
    heightMillimetres: size(shapes[shape].height),
    viewMetres: 1,
  };
}
