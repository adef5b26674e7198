import { beamExponent, type LightSource } from '../../light/illuminance';
import { mixedXy } from '../../light/tinted';
import { windowLightness } from '../../light/wanted';
import { windowShape } from './usual-interior';
import { roomKinds, lampDrop } from './room-kinds';
import { leds, lightSpots, type LedPart } from '../../part/led';
import { tints } from '../../part/tint';
import { coachInterior, roomBehind, type CoachInterior, type LaidRoom } from './interior';
import type { CoachRecord } from './record';
import type { Readings } from '../../study/readings';

/** A window as it shows from outside. */
export interface WindowLight {
  /** Centre of the window along the coach, in millimetres. */
  readonly millimetres: number;
  /** At seat height behind it, mean over its width. */
  readonly lux: number;
  /** Perceived lightness, 0 to 100. */
  readonly lightness: number;
  /** Chromaticity of the light behind it, CIE 1931; null in the dark. */
  readonly xy: { readonly x: number; readonly y: number } | null;
  /** Id of the room behind it, or `corridor`. */
  readonly room: string;
  /** Left dark on purpose: not counted. */
  readonly leftDark: boolean;
}

/** A room, or the corridor, as it is lit at its windows. */
export interface RoomLight {
  readonly id: string;
  readonly name: string;
  readonly lux: number;
  readonly leftDark: boolean;
}

/** How a coach is lit inside, at seat height. */
export interface CoachLight {
  readonly near: readonly WindowLight[];
  readonly far: readonly WindowLight[];
  /** Lux along the line of the near and of the far windows, at `along`. */
  readonly along: readonly number[];
  readonly nearLux: Float64Array;
  readonly farLux: Float64Array;
  /** Rooms with a window, and the corridor. */
  readonly rooms: readonly RoomLight[];
  /** Over all windows that count: the least at any place of a window, and the mean. */
  readonly leastLux: number;
  readonly meanLux: number;
  /**
   * Mean over the windows that are lit at all: what the wanted light is told against, so that a dark
   * corridor does not make the compartments glare.
   */
  readonly litLux: number;
  /** Least over mean, 0 to 1; 0 in the dark. */
  readonly evenness: number;
  readonly darkest: RoomLight | null;
}

/** What the light is judged by; a search weighs it thousands of times. */
export interface LightFigures {
  readonly leastLux: number;
  readonly meanLux: number;
}

/** Half the width of a lamp: on top of a partition it lights both its sides, neither well. */
export const LAMP_HALF_MILLIMETRES = 1.5;
/** Spots that stand for a surface that shines. */
const SPREAD_SPOTS = 5;

interface Lamp {
  readonly placeMillimetres: number;
  readonly acrossMillimetres: number;
  readonly aimDegrees: number;
  readonly tint: string;
}

/** Where a lamp's light comes out, and which share of it. */
export function lampSources(
  job: Pick<CoachRecord, 'interior' | 'dimensions'>,
  lamp: Lamp,
  bare: LedPart | null,
): { readonly source: LightSource; readonly share: number }[] {
  // A bulb shines all round, as near as can be told from above.
  const led = bare ?? leds['white-warm'];
  const { interior, dimensions } = job;
  const { lengthMillimetres: length } = dimensions;
  const place = lamp.placeMillimetres;
  // A bar runs from its lamp to the farther end.
  const along = place < length / 2 ? 1 : -1;
  const room = along > 0 ? length - place : place;
  const { spreadMillimetres } = tints[lamp.tint];
  const spread =
    spreadMillimetres > 0
      ? Array.from({ length: SPREAD_SPOTS }, (_, i) => ((i + 0.5) / SPREAD_SPOTS - 0.5) * spreadMillimetres)
      : [0];
  const spots = lightSpots(led, along * Math.max(1, room - BAR_END_MILLIMETRES)).flatMap((spot) =>
    spread.map((s) => ({ x: place + spot.millimetres + s, share: spot.share / spread.length })),
  );
  const exponent = spreadMillimetres > 0 ? 1 : beamExponent(led.beamDegrees);
  const y = interior.widthMillimetres / 2 + lamp.acrossMillimetres;
  const z = interior.seatMillimetres + lampDrop(interior);
  const { screens } = coachInterior(job).light;
  return spots.flatMap(({ x, share }) => {
    const source: LightSource = { x, y, z, aimDegrees: lamp.aimDegrees, exponent };
    const onTop = screens.find(
      (s) =>
        s.top >= z &&
        (s.lies === 'across'
          ? Math.abs(s.at - x) < LAMP_HALF_MILLIMETRES && y > s.from && y < s.to
          : Math.abs(s.at - y) < LAMP_HALF_MILLIMETRES && x > s.from && x < s.to),
    );
    if (!onTop) return [{ source, share }];
    const beside = (by: number): LightSource =>
      onTop.lies === 'across' ? { ...source, x: onTop.at + by } : { ...source, y: onTop.at + by };
    // The part of the lamp on either side.
    const over = (onTop.lies === 'across' ? x : y) - onTop.at;
    const farShare = (over + LAMP_HALF_MILLIMETRES) / (2 * LAMP_HALF_MILLIMETRES);
    return [
      { source: beside(-LAMP_HALF_MILLIMETRES), share: share * (1 - farShare) },
      { source: beside(LAMP_HALF_MILLIMETRES), share: share * farShare },
    ];
  });
}

/** A bar stops short of the end wall. */
const BAR_END_MILLIMETRES = 6;

/** A window's points on a line of the interior, as a range of indices, and whether it counts. */
interface WindowPoints {
  readonly side: 'near' | 'far';
  readonly millimetres: number;
  readonly from: number;
  readonly to: number;
  readonly room: LaidRoom | 'corridor' | null;
  readonly counts: boolean;
}

const windowsKnown = new WeakMap<CoachInterior, readonly WindowPoints[]>();

function windowPoints(laid: CoachInterior, dimensions: CoachRecord['dimensions']): readonly WindowPoints[] {
  const before = windowsKnown.get(laid);
  if (before) return before;
  const { centres, width } = windowShape(dimensions);
  const pitch = dimensions.lengthMillimetres / laid.along.length;
  const points = (['near', 'far'] as const).flatMap((side, s) =>
    centres.map((millimetres) => {
      const room = roomBehind(laid, millimetres, side);
      const first = Math.max(0, Math.round((millimetres - width / 2) / pitch));
      const last = Math.min(
        laid.along.length,
        Math.max(first + 1, Math.round((millimetres + width / 2) / pitch)),
      );
      const shift = s * laid.along.length;
      const counts = room !== null && (room === 'corridor' || !room.leftDark);
      return { side, millimetres, from: first + shift, to: last + shift, room, counts };
    }),
  );
  windowsKnown.set(laid, points);
  return points;
}

/**
 * The points of the lines that lie in windows that count, as indices, and the weight of each in the
 * mean over windows; weights add to 1.
 */
export function countedPoints(job: Pick<CoachRecord, 'interior' | 'dimensions'>): {
  readonly points: Int32Array;
  readonly weights: Float64Array;
} {
  const laid = coachInterior(job);
  const before = countedKnown.get(laid);
  if (before) return before;
  const windows = windowPoints(laid, job.dimensions).filter((w) => w.counts);
  const points: number[] = [];
  const weights: number[] = [];
  for (const w of windows) {
    for (let i = w.from; i < w.to; i++) {
      points.push(i);
      weights.push(1 / (w.to - w.from) / windows.length);
    }
  }
  const counted = { points: Int32Array.from(points), weights: Float64Array.from(weights) };
  countedKnown.set(laid, counted);
  return counted;
}

const countedKnown = new WeakMap<
  CoachInterior,
  { readonly points: Int32Array; readonly weights: Float64Array }
>();

const meanOver = (lux: Float64Array, from: number, to: number): number => {
  let sum = 0;
  for (let i = from; i < to; i++) sum += lux[i];
  return sum / Math.max(1, to - from);
};

/** Least and mean over the windows that count, from lux at all points of the lines. */
export function lightFigures(
  job: Pick<CoachRecord, 'interior' | 'dimensions'>,
  lux: Float64Array,
): LightFigures {
  const { points, weights } = countedPoints(job);
  let least = Infinity;
  let mean = 0;
  for (let i = 0; i < points.length; i++) {
    const here = lux[points[i]];
    if (here < least) least = here;
    mean += weights[i] * here;
  }
  return { leastLux: points.length > 0 ? least : 0, meanLux: mean };
}

/** How a coach is lit inside by its lamps as solved. */
export function coachLight(
  job: Pick<CoachRecord, 'interior' | 'dimensions' | 'lamps'>,
  steady: Pick<Readings, 'dies'>,
): CoachLight {
  const laid = coachInterior(job);
  const { along, field } = laid;
  const total = new Float64Array(field.points.length);
  const inside = steady.dies.filter((l) => job.lamps[l.lampId].role === 'room');
  const byColour = new Map<string, { xy: { x: number; y: number }; lux: Float64Array }>();
  for (const reading of inside) {
    const key = `${reading.xy.x} ${reading.xy.y}`;
    let own = byColour.get(key);
    if (!own) byColour.set(key, (own = { xy: reading.xy, lux: new Float64Array(total.length) }));
    for (const { source, share } of lampSources(job, job.lamps[reading.lampId], reading.led)) {
      const perLumen = field.perLumen(source);
      const lumens = reading.lumens * share;
      for (let i = 0; i < total.length; i++) own.lux[i] += lumens * perLumen[i];
    }
  }
  for (const { lux } of byColour.values()) for (let i = 0; i < total.length; i++) total[i] += lux[i];
  const colours = [...byColour.values()];
  const points = windowPoints(laid, job.dimensions);
  const windows = points.map((w): WindowLight & { side: 'near' | 'far' } => {
    const lux = meanOver(total, w.from, w.to);
    return {
      side: w.side,
      millimetres: w.millimetres,
      lux,
      lightness: windowLightness(lux),
      xy: mixedXy(colours.map((c) => ({ lumens: meanOver(c.lux, w.from, w.to), ...c.xy }))),
      room: w.room === 'corridor' ? 'corridor' : (w.room?.id ?? ''),
      leftDark: !w.counts,
    };
  });
  const figures = lightFigures(job, total);
  const rooms = roomLights(laid, windows);
  const counted = rooms.filter((r) => !r.leftDark);
  return {
    near: windows.filter((w) => w.side === 'near'),
    far: windows.filter((w) => w.side === 'far'),
    along,
    nearLux: total.subarray(0, along.length),
    farLux: total.subarray(along.length),
    rooms,
    ...figures,
    litLux: litLux(windows),
    evenness: figures.meanLux > 0 ? figures.leastLux / figures.meanLux : 0,
    darkest: counted.reduce<RoomLight | null>((d, r) => (d === null || r.lux < d.lux ? r : d), null),
  };
}

/** Share of the brightest window's light from which a window counts as lit. */
const LIT_SHARE = 0.1;

function litLux(windows: readonly WindowLight[]): number {
  const counted = windows.filter((w) => !w.leftDark);
  const brightest = Math.max(0, ...counted.map((w) => w.lux));
  const lit = counted.filter((w) => w.lux > LIT_SHARE * brightest);
  return lit.length > 0 ? lit.reduce((sum, w) => sum + w.lux, 0) / lit.length : 0;
}

/** Mean of each room's windows; rooms without one do not show. */
function roomLights(laid: CoachInterior, windows: readonly WindowLight[]): RoomLight[] {
  const mean = (id: string): number | null => {
    const own = windows.filter((w) => w.room === id);
    return own.length > 0 ? own.reduce((sum, w) => sum + w.lux, 0) / own.length : null;
  };
  const alike = new Map<string, number>();
  for (const r of laid.rooms) alike.set(r.kind, (alike.get(r.kind) ?? 0) + 1);
  const counted = new Map<string, number>();
  const rooms = laid.rooms.flatMap((r): RoomLight[] => {
    const number = (counted.get(r.kind) ?? 0) + 1;
    counted.set(r.kind, number);
    const lux = mean(r.id);
    const { name } = roomKinds[r.kind];
    return lux === null
      ? []
      : [{ id: r.id, name: alike.get(r.kind)! > 1 ? `${name} ${number}` : name, lux, leftDark: r.leftDark }];
  });
  const corridor = mean('corridor');
  return corridor === null
    ? rooms
    : [...rooms, { id: 'corridor', name: 'Corridor', lux: corridor, leftDark: false }];
}

/** Illuminance that would be there without a tint which lets a share of the light through, in lux. */
export function untintedLux(lux: number, share: number): number {
  return share > 0 ? lux / share : 0;
}
