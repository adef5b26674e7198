import { EDGE_SECONDS, type Wave } from './waveform';

/** A level a wave stands at, and for what share of its period. */
export interface Level {
  readonly volts: number;
  readonly share: number;
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
 * The levels a periodic wave runs through and how long it stands at each: with them the mean of
 * anything in a circuit without memory is a sum over operating points. Ramps by Gauss and Legendre's
 * rule, a sine at the middles of equal parts of its quarter.
 * @throws RangeError for a wave that is not periodic
 */
export function levelsOf(wave: Wave): Level[] {
  const onRamp = (from: number, to: number, share: number): Level[] =>
    share > 0 && from !== to
      ? ramp.map(([at, weight]) => ({ volts: from + (to - from) * at, share: share * weight }))
      : [];
  switch (wave.kind) {
    case 'dc':
      return [{ volts: wave.level, share: 1 }];
    case 'pulse': {
      const { low, high, rise, fall, width, period } = wave;
      return [
        { volts: high, share: width / period },
        { volts: low, share: 1 - (width + rise + fall) / period },
        ...onRamp(low, high, (rise + fall) / period),
      ];
    }
    case 'sine': {
      const quarter = Array.from(
        { length: QUARTER_LEVELS },
        (_, i) => wave.amplitude * Math.sin(((i + 0.5) / QUARTER_LEVELS) * (Math.PI / 2)),
      );
      const share = 1 / (2 * QUARTER_LEVELS);
      return [...quarter.map((v) => v), ...quarter.map((v) => -v)].map((v) => ({
        volts: wave.offset + v,
        share,
      }));
    }
    case 'dcc': {
      const { amplitude, bits, oneHalf, zeroHalf } = wave;
      const seconds = [...bits].reduce((sum, b) => sum + 2 * (b === '1' ? oneHalf : zeroHalf), 0);
      const edges = (2 * bits.length * EDGE_SECONDS) / seconds;
      return [
        { volts: amplitude, share: (1 - edges) / 2 },
        { volts: -amplitude, share: (1 - edges) / 2 },
        ...onRamp(-amplitude, amplitude, edges),
      ];
    }
    default:
      throw new RangeError(`a ${wave.kind} wave has no levels it keeps to`);
  }
}
