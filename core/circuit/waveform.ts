/** How long an edge of a DCC signal, or a switch's change-over, takes. */
export const EDGE_SECONDS = 1e-6;

/** The value of a source over time; volts or amperes as its source has it, times in seconds. */
export type Wave =
  | { readonly kind: 'dc'; readonly level: number }
  | {
      readonly kind: 'pulse';
      readonly low: number;
      readonly high: number;
      readonly delay: number;
      readonly rise: number;
      readonly fall: number;
      readonly width: number;
      readonly period: number;
    }
  | {
      readonly kind: 'sine';
      readonly offset: number;
      readonly amplitude: number;
      readonly hertz: number;
      readonly delay: number;
      readonly damping: number;
      readonly phaseDegrees: number;
    }
  | {
      readonly kind: 'pwl';
      /** Moments ascending; the value holds before the first and after the last. */
      readonly points: readonly (readonly [seconds: number, value: number])[];
      /** When given, the stretch from this moment to the last point repeats for ever. */
      readonly repeatFrom?: number;
    }
  | {
      /**
       * The bipolar DCC track signal (NMRA S-9.1): each bit is two half-bits of opposite sign,
       * each starting with an edge of one microsecond; the sequence repeats.
       */
      readonly kind: 'dcc';
      readonly amplitude: number;
      readonly bits: string;
      readonly oneHalf: number;
      readonly zeroHalf: number;
    };

/** A wave made ready for the inner loop. */
export interface Signal {
  /** Value at a moment. */
  at(seconds: number): number;
  /** The first moment strictly after the given one at which the wave has a corner; Infinity if none. */
  nextCorner(seconds: number): number;
  /** Seconds after which it repeats; 0 for a constant, Infinity when it never repeats. */
  readonly period: number;
  /** Longest step that still follows the curve between corners. */
  readonly longestStep: number;
  /** How long one up and down of it takes; 0 when it has none. */
  readonly grain: number;
}

/** Steps a solver takes at least over one period of a sine. */
const STEPS_PER_SINE = 48;

function constant(level: number): Signal {
  return { at: () => level, nextCorner: () => Infinity, period: 0, longestStep: Infinity, grain: 0 };
}

/**
 * Straight lines between corners, in one stretch that may repeat.
 * @param times ascending moments within the stretch, the first at its start
 */
function straightLines(
  times: Float64Array,
  values: Float64Array,
  start: number,
  repeat: number | undefined,
): Signal {
  const last = times.length - 1;
  const span = times[last] - times[0];
  const looped = repeat !== undefined && span > 0;
  const loopStart = looped ? repeat : 0;
  const loopSpan = looped ? times[last] - repeat : Infinity;
  // A moment closer than this to a corner counts as being on it.
  const near = Math.max(1e-15, 1e-9 * (Number.isFinite(loopSpan) ? loopSpan : span || 1));
  let hint = 0;
  const segment = (phase: number): number => {
    if (hint > last - 1 || times[hint] > phase) hint = 0;
    if (phase - times[hint] > 0 && times.length > 64 && phase > times[Math.min(last, hint + 32)]) {
      let low = hint;
      let high = last;
      while (high - low > 1) {
        const middle = (low + high) >> 1;
        if (times[middle] <= phase) low = middle;
        else high = middle;
      }
      hint = low;
    }
    while (hint < last - 1 && times[hint + 1] <= phase) hint++;
    return hint;
  };
  const fold = (t: number): number => {
    if (!looped || t < times[last]) return t;
    const laps = Math.floor((t - loopStart) / loopSpan + 1e-12);
    return Math.max(loopStart, t - laps * loopSpan);
  };
  return {
    at(seconds) {
      const phase = fold(seconds - start);
      if (phase <= times[0]) return values[0];
      if (phase >= times[last]) return values[last];
      const i = segment(phase);
      const rise = times[i + 1] - times[i];
      return rise <= 0
        ? values[i + 1]
        : values[i] + ((values[i + 1] - values[i]) * (phase - times[i])) / rise;
    },
    nextCorner(seconds) {
      const local = seconds - start;
      if (!looped || local < times[last] - near) {
        let i = segment(Math.max(local, times[0]));
        while (i > 0 && times[i] > local + near) i--;
        while (i <= last && times[i] <= local + near) i++;
        return i <= last ? start + times[i] : Infinity;
      }
      const laps = Math.floor((local - loopStart + near) / loopSpan);
      const phase = Math.max(loopStart, local - laps * loopSpan);
      let i = segment(phase);
      while (i <= last && times[i] <= phase + near) i++;
      return start + laps * loopSpan + (i <= last ? times[i] : times[last]);
    },
    period: looped ? loopSpan : times.length === 1 ? 0 : Infinity,
    longestStep: Infinity,
    grain: looped || last > 16 ? (4 * (looped ? loopSpan : span)) / Math.max(4, last) : 0,
  };
}

function lines(points: readonly (readonly [number, number])[], start: number, repeat?: number): Signal {
  return straightLines(
    Float64Array.from(points, (p) => p[0]),
    Float64Array.from(points, (p) => p[1]),
    start,
    repeat,
  );
}

/**
 * The corners of one pass of a DCC bit sequence, from the start of its first edge.
 * @returns [seconds, volts] pairs; the last equals the first in volts, one full sequence later
 */
export function dccCorners(wave: Extract<Wave, { kind: 'dcc' }>): [number, number][] {
  const corners: [number, number][] = [];
  let t = 0;
  for (const bit of wave.bits) {
    const half = bit === '1' ? wave.oneHalf : wave.zeroHalf;
    for (const sign of [1, -1]) {
      corners.push([t, -sign * wave.amplitude], [t + EDGE_SECONDS, sign * wave.amplitude]);
      t += half;
    }
  }
  corners.push([t, -wave.amplitude]);
  return corners;
}

function sine(wave: Extract<Wave, { kind: 'sine' }>): Signal {
  const { offset, amplitude, hertz, delay, damping } = wave;
  const phase = (wave.phaseDegrees * Math.PI) / 180;
  const before = offset + amplitude * Math.sin(phase);
  return {
    at: (t) =>
      t <= delay
        ? before
        : offset +
          amplitude * Math.exp(-damping * (t - delay)) * Math.sin(2 * Math.PI * hertz * (t - delay) + phase),
    nextCorner: (t) => (t < delay ? delay : Infinity),
    period: damping === 0 && delay <= 0 ? 1 / hertz : Infinity,
    longestStep: 1 / (hertz * STEPS_PER_SINE),
    grain: 1 / hertz,
  };
}

/** A wave made ready to be evaluated: its value, its corners, its period. Pure; times in seconds. */
export function signalOf(wave: Wave): Signal {
  switch (wave.kind) {
    case 'dc':
      return constant(wave.level);
    case 'sine':
      return wave.hertz > 0 ? sine(wave) : constant(wave.offset);
    case 'pwl':
      return wave.points.length === 1 ? constant(wave.points[0][1]) : lines(wave.points, 0, wave.repeatFrom);
    case 'dcc':
      return lines(dccCorners(wave), 0, 0);
    case 'pulse': {
      const { low, high, delay, rise, fall, width, period } = wave;
      const once: [number, number][] = [
        [0, low],
        [rise, high],
        [rise + width, high],
        [rise + width + fall, low],
      ];
      const busy = rise + width + fall;
      if (!Number.isFinite(period)) return lines(once, delay);
      if (period > busy) once.push([period, low]);
      const signal = lines(once, delay, 0);
      return delay > 0 ? { ...signal, period: Infinity } : signal;
    }
  }
}
