import { EDGE_SECONDS, type Wave } from './waveform';

/** A level a wave stands at, and for what share of its period; one it only touches has none. */
export interface Level {
  readonly volts: number;
  readonly share: number;
}

/** A stretch of a wave at one level, or one that stands for a stretch it runs through. */
export interface CoursePoint {
  readonly from: number;
  readonly to: number;
  readonly volts: number;
  /** It keeps to its level from end to end. */
  readonly flat: boolean;
}

/** One period of a wave as levels in order of time. */
export interface Course {
  /** Seconds; 0 for a constant. */
  readonly period: number;
  readonly points: readonly CoursePoint[];
  /** Levels it touches for a moment only: the peaks of a sine. */
  readonly peaks: readonly number[];
}

/** Nodes and weights of Gauss and Legendre's rule of four on 0 to 1. */
const ramp: readonly (readonly [at: number, weight: number])[] = [
  [0.0694318442, 0.1739274226],
  [0.3300094782, 0.3260725774],
  [0.6699905218, 0.3260725774],
  [0.9305681558, 0.1739274226],
];
/** Levels a quarter wave of a sine is taken at. */
const QUARTER_LEVELS = 24;

/**
 * The levels a periodic wave runs through in one period: ramps by Gauss and Legendre's rule, a sine
 * at the middles of equal parts of its quarter.
 * @throws RangeError for a wave that is not periodic
 */
export function courseOf(wave: Wave): Course {
  const points: CoursePoint[] = [];
  let at = 0;
  const flat = (volts: number, seconds: number): void => {
    if (seconds <= 0) return;
    points.push({ from: at, to: at + seconds, volts, flat: true });
    at += seconds;
  };
  const slope = (from: number, to: number, seconds: number): void => {
    if (seconds <= 0) return;
    if (from === to) {
      flat(from, seconds);
      return;
    }
    for (const [node, weight] of ramp) {
      points.push({ from: at, to: at + weight * seconds, volts: from + (to - from) * node, flat: false });
      at += weight * seconds;
    }
  };
  switch (wave.kind) {
    case 'dc':
      return { period: 0, points: [{ from: 0, to: 1, volts: wave.level, flat: true }], peaks: [] };
    case 'pulse': {
      const { low, high, rise, fall, width, period } = wave;
      slope(low, high, rise);
      flat(high, width);
      slope(high, low, fall);
      flat(low, period - width - rise - fall);
      return { period, points, peaks: [] };
    }
    case 'sine': {
      const period = 1 / wave.hertz;
      const count = 4 * QUARTER_LEVELS;
      for (let i = 0; i < count; i++) {
        const volts = wave.offset + wave.amplitude * Math.sin(((i + 0.5) / count) * 2 * Math.PI);
        points.push({ from: (i / count) * period, to: ((i + 1) / count) * period, volts, flat: false });
      }
      return { period, points, peaks: [wave.offset + wave.amplitude, wave.offset - wave.amplitude] };
    }
    case 'dcc': {
      const { amplitude, bits, oneHalf, zeroHalf } = wave;
      for (const bit of bits) {
        const half = bit === '1' ? oneHalf : zeroHalf;
        for (const sign of [1, -1]) {
          slope(-sign * amplitude, sign * amplitude, EDGE_SECONDS);
          flat(sign * amplitude, half - EDGE_SECONDS);
        }
      }
      return { period: at, points, peaks: [] };
    }
    default:
      throw new RangeError(`a ${wave.kind} wave has no levels it keeps to`);
  }
}

/** Two levels this like are one. */
export const levelKey = (volts: number): number => Number(volts.toPrecision(11));

/**
 * The levels of a course and how long it stands at each, like ones together: with them the mean of
 * anything in a circuit without memory is a sum over operating points.
 * @param folded levels without their signs, for what answers both alike
 */
export function levelsOf({ points, peaks }: Course, folded = false): Level[] {
  const of = (volts: number): number => levelKey(folded ? Math.abs(volts) : volts);
  const whole = points.reduce((sum, p) => sum + p.to - p.from, 0);
  const shares = new Map<number, number>(peaks.map((p) => [of(p), 0]));
  for (const { from, to, volts } of points)
    shares.set(of(volts), (shares.get(of(volts)) ?? 0) + (to - from) / whole);
  return [...shares].map(([volts, share]) => ({ volts, share }));
}
