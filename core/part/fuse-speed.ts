/** How a fuse goes: where it is sure to, at the latest. */
export interface FuseSpeed {
  readonly name: string;
  /** Seconds at the latest, by times its rating, ascending. */
  readonly latest: readonly (readonly [times: number, seconds: number])[];
  /** Bears this many times its rating for ever. */
  readonly bears: number;
  /** Resistance times rating, in volts: what it drops at its rating. */
  readonly dropsVolts: number;
  readonly price: number;
}

/**
 * Time and current of small fuses, IEC 60127-2, sheets 2 and 3 (from memory): the latest at 2.1, 2.75, 4
 * and 10 times the rating. A resettable one trips at about twice what it holds, slower when cool (typical,
 * from memory).
 */
export const fuseSpeeds = {
  quick: {
    name: 'quick (F)',
    latest: [
      [2.1, 1800],
      [2.75, 2],
      [4, 0.3],
      [10, 0.02],
    ],
    bears: 1,
    dropsVolts: 0.15,
    price: 0.3,
  },
  slow: {
    name: 'slow (T)',
    latest: [
      [2.1, 120],
      [2.75, 10],
      [4, 3],
      [10, 0.3],
    ],
    bears: 1,
    dropsVolts: 0.12,
    price: 0.35,
  },
  resettable: {
    name: 'resettable',
    latest: [
      [2, 60],
      [3, 10],
      [5, 3],
      [8, 1],
    ],
    bears: 1,
    dropsVolts: 0.1,
    price: 0.4,
  },
} as const satisfies Readonly<Record<string, FuseSpeed>>;
export type FuseSpeedName = keyof typeof fuseSpeeds;

/**
 * When a fuse has gone at the latest, in seconds, by a straight line through its points on logarithmic
 * scales; null where it is not sure to go.
 * @param times what flows over its rating
 */
export function goesWithin(speed: FuseSpeedName, times: number): number | null {
  const points = fuseSpeeds[speed].latest;
  if (times < points[0][0]) return null;
  const last = points[points.length - 1];
  if (times >= last[0]) return last[1];
  const k = points.findIndex(([t]) => t > times);
  const [[t1, s1], [t2, s2]] = [points[k - 1], points[k]];
  return s1 * (s2 / s1) ** (Math.log(times / t1) / Math.log(t2 / t1));
}

/** A short is cleared where its fuse goes within so many seconds: no wire has warmed much by then (common practice, no source). */
export const CLEARED_SECONDS = 10;
