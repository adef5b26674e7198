import { CircuitError } from './error';

/** What a load takes at a voltage, and by how much more for a volt more. */
export interface Taken {
  readonly amps: number;
  readonly siemens: number;
}

/** Loads one after another along two conductors, fed at one place or several. */
export interface Run {
  /** How many loads. */
  readonly loads: number;
  /** From one load to the next, both conductors together, in ohms; one fewer than loads. */
  readonly ohms: readonly number[];
  /** Where it is fed: at which load, through how many ohms there and back, by how many volts. */
  readonly feeds: readonly { readonly at: number; readonly ohms: number; readonly volts: number }[];
  load(k: number, volts: number): Taken;
}

const MOST_TURNS = 200;
const SETTLED_VOLTS = 1e-10;
/** No step is longer: loads bend where they starve. */
const LONGEST_STEP = 0.5;
/** Joints that are as good as none. */
const LEAST_OHMS = 1e-6;

/**
 * Volts at each load of a run between its two conductors. Both conductors carry the same current, so
 * the difference between them follows from the sum of their resistances: Kirchhoff's current law at each
 * load is a tridiagonal system, solved by elimination (Thomas 1949) within Newton's iteration.
 * @throws CircuitError when nothing feeds it, or it does not settle
 */
export function voltsAlong({ loads, ohms, feeds, load }: Run): Float64Array {
  if (feeds.length === 0) throw new CircuitError('floating-node', 'nothing feeds the run', []);
  const volts = new Float64Array(loads).fill(Math.max(...feeds.map((f) => f.volts)));
  const between = ohms.map((r) => 1 / Math.max(LEAST_OHMS, r));
  const [diagonal, right, upper] = [0, 1, 2].map(() => new Float64Array(loads));
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    for (let k = 0; k < loads; k++) {
      const { amps, siemens } = load(k, volts[k]);
      const [left, next] = [k > 0 ? between[k - 1] : 0, k < loads - 1 ? between[k] : 0];
      let residual = -amps;
      if (k > 0) residual += left * (volts[k - 1] - volts[k]);
      if (k < loads - 1) residual += next * (volts[k + 1] - volts[k]);
      diagonal[k] = left + next + siemens;
      for (const feed of feeds)
        if (feed.at === k) {
          const g = 1 / Math.max(LEAST_OHMS, feed.ohms);
          residual += g * (feed.volts - volts[k]);
          diagonal[k] += g;
        }
      right[k] = residual;
    }
    // Elimination from the left, and back.
    for (let k = 0; k < loads; k++) {
      const before = k > 0 ? between[k - 1] : 0;
      const pivot = diagonal[k] - (k > 0 ? before * upper[k - 1] : 0);
      upper[k] = k < loads - 1 ? between[k] / pivot : 0;
      right[k] = (right[k] + (k > 0 ? before * right[k - 1] : 0)) / pivot;
    }
    let most = 0;
    for (let k = loads - 1; k >= 0; k--) {
      if (k < loads - 1) right[k] += upper[k] * right[k + 1];
      most = Math.max(most, Math.abs(right[k]));
    }
    const share = most > LONGEST_STEP ? LONGEST_STEP / most : 1;
    for (let k = 0; k < loads; k++) volts[k] += share * right[k];
    if (most < SETTLED_VOLTS) return volts;
  }
  throw new CircuitError('no-convergence', 'the run does not settle', []);
}
