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

const MOST_TURNS = 400;
const SETTLED_VOLTS = 1e-10;
/** Joints that are as good as none. */
const LEAST_OHMS = 1e-6;
/** A step that ends with more than this share of the current it began with driving it back went too far. */
const TOO_FAR = 0.1;
const LEAST_SHARE = 2 ** -30;

/**
 * Volts at each load of a run between its two conductors. Both conductors carry the same current, so
 * the difference between them follows from the sum of their resistances: Kirchhoff's current law at each
 * load is a tridiagonal system, solved by elimination (Thomas 1949) within Newton's iteration. A step is
 * halved while it goes too far: loads that take no less at more volts have one answer, the least of a
 * convex co-content (Millar 1951, from memory), and a step that ends short of the least along its line
 * always comes nearer.
 * @throws CircuitError when nothing feeds it, or it does not settle
 */
export function voltsAlong({ loads, ohms, feeds, load }: Run): Float64Array {
  if (feeds.length === 0) throw new CircuitError('floating-node', 'nothing feeds the run', []);
  const between = ohms.map((r) => 1 / Math.max(LEAST_OHMS, r));
  const feedSiemens = feeds.map((f) => 1 / Math.max(LEAST_OHMS, f.ohms));
  const [step, diagonal, upper] = [0, 1, 2].map(() => new Float64Array(loads));
  let [volts, current, tried, currentThere] = [0, 1, 2, 3].map(() => new Float64Array(loads));
  volts.fill(Math.max(...feeds.map((f) => f.volts)));

  /** What flows into each load more than it takes, into `more`; the slope of that into `diagonal`. */
  const balance = (at: Float64Array, more: Float64Array): void => {
    for (let k = 0; k < loads; k++) {
      const { amps, siemens } = load(k, at[k]);
      const [left, right] = [k > 0 ? between[k - 1] : 0, k < loads - 1 ? between[k] : 0];
      more[k] = -amps;
      if (k > 0) more[k] += left * (at[k - 1] - at[k]);
      if (k < loads - 1) more[k] += right * (at[k + 1] - at[k]);
      diagonal[k] = left + right + siemens;
    }
    feeds.forEach((feed, f) => {
      more[feed.at] += feedSiemens[f] * (feed.volts - at[feed.at]);
      diagonal[feed.at] += feedSiemens[f];
    });
  };
  /** Newton's step from where the balance was struck. */
  const eliminate = (): number => {
    for (let k = 0; k < loads; k++) {
      const before = k > 0 ? between[k - 1] : 0;
      const pivot = diagonal[k] - (k > 0 ? before * upper[k - 1] : 0);
      upper[k] = k < loads - 1 ? between[k] / pivot : 0;
      step[k] = (current[k] + (k > 0 ? before * step[k - 1] : 0)) / pivot;
    }
    let longest = 0;
    for (let k = loads - 1; k >= 0; k--) {
      if (k < loads - 1) step[k] += upper[k] * step[k + 1];
      longest = Math.max(longest, Math.abs(step[k]));
    }
    return longest;
  };
  const along = (more: Float64Array): number => more.reduce((sum, m, k) => sum + m * step[k], 0);

  balance(volts, current);
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    const longest = eliminate();
    if (longest < SETTLED_VOLTS) {
      for (let k = 0; k < loads; k++) volts[k] += step[k];
      return volts;
    }
    const begun = along(current);
    for (let share = 1; ; share /= 2) {
      for (let k = 0; k < loads; k++) tried[k] = volts[k] + share * step[k];
      balance(tried, currentThere);
      if (along(currentThere) >= -TOO_FAR * begun || share < LEAST_SHARE) break;
    }
    [volts, tried] = [tried, volts];
    [current, currentThere] = [currentThere, current];
  }
  throw new CircuitError('no-convergence', 'the run does not settle', []);
}
