import { addressableStrings, type AddressableName } from '../../part/addressable';
import { freeName } from '../../document/free-name';
import { plainLamp } from '../../document/lamp-record';
import { change, type Change } from '../../document/patch';
import { passLeads } from '../../study/pass-leads';
import { freeId } from '../../document/usual-supply';
import { driverOn, hangOnDriver } from '../../study/begin-driven';
import { jobStart, supplyFor, type SupplyWish } from '../../study/begin-scenery';
import { usualParameters, type MovingEffectName } from '../../supply/drivers/effects';
import { shapes, usualBody } from './shapes';
import { scenePassages } from './usual-passages';
import type { ClipRecord, MotorRecord, StringRecord, TimelineRecord } from '../../document/moving-record';
import type { Layout } from '../../document/layout';
import type { SceneRecord, SceneShape } from './record';

/** A scene as wanted by someone who has not said more than this. */
export interface SceneWish {
  readonly name: string;
  readonly shape: SceneShape;
  /** An addressable string; null for none. */
  readonly string: { readonly sort: AddressableName; readonly count: number } | null;
  /** A motor on the same supply, made for so many volts; null for none. */
  readonly motorVolts: number | null;
  readonly supply: SupplyWish;
}

/** How long the scenes of a new time line last together, and each of its string, in milliseconds. */
const LASTS = 12_000;
const STRING_SCENES = [
  [255, 60, 20],
  [255, 190, 40],
  [40, 120, 255],
] as const;
/** A third of full is plenty on a model, and spares the supply (common practice, no source). */
const CAP = 60;
const FRAME = 40;
const SEED = 7;

/** A small motor with its gearing (typical, from memory). */
const MOTOR_AMPS = 0.12;

/** What is usual about a string: a third more supply than it can draw, 330 ohm in the data, 1000 uF at its start (common practice, no source). */
const SUPPLY_MARGIN = 1.3;
const DATA_OHMS = 330;
const START_FARADS = 1000e-6;
const FEED_MILLIMETRES = 300;

/** A string as it is commonly built: fed at its start from a unit of its own. */
export function usualString(
  sort: AddressableName,
  count: number,
  body: Pick<SceneRecord['body'], 'widthMillimetres' | 'heightMillimetres'>,
): StringRecord {
  const { volts, colourAmps, idleAmps, pitchMillimetres, name } = addressableStrings[sort];
  const most = count * (3 * colourAmps + idleAmps) * SUPPLY_MARGIN;
  const long = count * pitchMillimetres;
  const ring = sort === 'ring';
  return {
    name: ring ? `Ring of ${count}` : name,
    sort,
    count,
    laid: ring ? 'ring' : 'line',
    acrossMillimetres: Math.max(1, Math.round(ring ? long / Math.PI : long)),
    heightMillimetres: Math.round(body.heightMillimetres * 0.6),
    alongMillimetres: Math.round(body.widthMillimetres / 2),
    supplyVolts: volts,
    supplyAmps: Math.max(0.5, Math.ceil(2 * most) / 2),
    feeds: [{ at: 0, wireMillimetres: FEED_MILLIMETRES }],
    wire: 'flex-16-0.2',
    dataOhms: DATA_OHMS,
    dataMillimetres: FEED_MILLIMETRES,
    farads: START_FARADS,
    shifter: false,
  };
}

/** The time line a scene begins with: its groups each with the effect they commonly have, its string chasing in three colours. */
function usualTimeline(
  shape: SceneShape,
  lampsOf: (group: string) => string[],
  string: StringRecord | null,
): TimelineRecord {
  const groups: TimelineRecord['groups'] = {};
  const clips: Record<string, ClipRecord> = {};
  let order = 0;
  const clip = (
    group: string,
    effect: MovingEffectName,
    from: number,
    to: number,
    colour: readonly number[] = [255, 255, 255],
    parameters: readonly number[] = usualParameters(effect),
  ): void => {
    order++;
    clips[`clip-${order}`] = {
      order,
      group,
      fromMilliseconds: from,
      toMilliseconds: to,
      effect,
      parameters: [...parameters],
      colour: [colour[0], colour[1], colour[2]],
    };
  };
  shapes[shape].groups.forEach(({ id, name, effect, parameters }, i) => {
    groups[id] = { of: 'lamps', order: i + 1, name, lamps: lampsOf(id) };
    clip(id, effect, 0, LASTS, undefined, parameters);
  });
  if (string) {
    groups.string = {
      of: 'string',
      order: 1 + Object.keys(groups).length,
      name: string.name,
      first: 0,
      count: string.count,
    };
    const each = LASTS / STRING_SCENES.length;
    STRING_SCENES.forEach((colour, i) => clip('string', 'chase', i * each, (i + 1) * each, colour));
  }
  return { groups, clips, lastsMilliseconds: LASTS, seed: SEED, frameMilliseconds: FRAME, capPercent: CAP };
}

const usualMotor = (volts: number): MotorRecord => ({ name: 'Motor', volts, amps: MOTOR_AMPS });

/**
 * Adds a scene sized for its scale: each lamp on a channel of its own, a time line that moves them, a
 * string and a motor where they are wanted.
 * @returns the change, and the id of the new job
 */
export function newScene(layout: Layout, wish: SceneWish): Change & { readonly jobId: string } {
  const jobId = freeId(layout.jobs, 'scene');
  const shape = shapes[wish.shape];
  const made = change(layout, (draft) => {
    const supplyId = supplyFor(draft, wish.supply);
    const body = usualBody(wish.shape, layout.scale);
    const base = driverOn('pins', draft.supplies[supplyId], shape.lamps.length);
    const string = wish.string && usualString(wish.string.sort, wish.string.count, body);
    const idOf = (i: number): string => `lamp-${i + 1}`;
    const lamps: SceneRecord['lamps'] = Object.fromEntries(
      shape.lamps.map(({ name, part, x, y }, i) => [
        idOf(i),
        {
          ...plainLamp,
          order: i + 1,
          name,
          part,
          alongMillimetres: Math.round(10 * x * body.widthMillimetres) / 10,
          heightMillimetres: Math.round(10 * y * body.heightMillimetres) / 10,
          circuitId: null,
        },
      ]),
    );
    const job: SceneRecord = {
      ...jobStart(draft as Layout, wish.name, supplyId),
      kind: 'scene',
      body,
      // Lamps that share minus are lit by a pin that is high, as most programs have it.
      driver: 'switches' in base ? { ...base, switches: 'plus' } : base,
      common: 'cathode',
      aspects: {
        lit: {
          order: 1,
          name: 'All at full',
          lamps: Object.fromEntries(Object.keys(lamps).map((id) => [id, 'steady' as const])),
          dark: false,
          glass: null,
        },
      },
      timeline: usualTimeline(
        wish.shape,
        (group) => shape.lamps.flatMap((l, i) => (l.group === group ? [idOf(i)] : [])),
        string,
      ),
      string,
      motor: wish.motorVolts === null ? null : usualMotor(wish.motorVolts),
      passages: scenePassages(),
      lamps,
    };
    draft.jobs[jobId] = job;
    hangOnDriver(
      draft as Layout,
      draft.jobs[jobId] as SceneRecord,
      (id) => lamps[id].order,
      (n) => shape.lamps[n - 1].name,
    );
    passLeads(draft as Layout, jobId);
  });
  return { ...made, jobId };
}

/** A shed with a welder, on what feeds it. */
export const usualScene = (layout: Layout, supplyId: string): Change & { readonly jobId: string } =>
  newScene(layout, {
    name: freeName(layout, 'Scene'),
    shape: 'shed',
    string: null,
    motorVolts: null,
    supply: { id: supplyId },
  });
