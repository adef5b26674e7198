import { STAGE } from './tr-bdf2';
import type { Step } from './transient';

// Weights of the parabola through a step's start, inner stage and end, integrated over the step.
const WITHIN = 1 / (6 * STAGE * (1 - STAGE));
const AFTER = (2 - 3 * STAGE) / (6 * (1 - STAGE));
const BEFORE = 1 - WITHIN - AFTER;

/** Mean, least and greatest of a figure over a stretch of time, in the figure's own unit. */
export interface Spread {
  readonly mean: number;
  readonly least: number;
  readonly greatest: number;
}

/** Gathers mean, least and greatest of every probe over the steps it is shown. */
export class Averages {
  private readonly sums: Float64Array;
  private readonly least: Float64Array;
  private readonly greatest: Float64Array;
  private seconds = 0;

  constructor(private readonly count: number) {
    this.sums = new Float64Array(count);
    this.least = new Float64Array(count).fill(Infinity);
    this.greatest = new Float64Array(count).fill(-Infinity);
  }

  add(step: Step): void {
    const h = step.to - step.from;
    const plain = step.middle >= step.to;
    this.seconds += h;
    for (let i = 0; i < this.count; i++) {
      const { before, within, after } = step;
      this.sums[i] +=
        h * (plain ? (before[i] + after[i]) / 2 : BEFORE * before[i] + WITHIN * within[i] + AFTER * after[i]);
      this.least[i] = Math.min(this.least[i], before[i], within[i], after[i]);
      this.greatest[i] = Math.max(this.greatest[i], before[i], within[i], after[i]);
    }
  }

  /** The figures gathered so far, in the order of the probes. */
  spreads(): Spread[] {
    return Array.from(this.sums, (sum, i) => ({
      mean: sum / this.seconds,
      least: this.least[i],
      greatest: this.greatest[i],
    }));
  }
}

/**
 * A probe's value inside a step: on the cubics through its three points that keep between them, so
 * that a current that begins to flow is not seen to flow backwards before it does.
 * Slopes by Fritsch and Butland (1984), as they are for three points.
 * @param share 0 at the step's start, 1 at its end
 */
export function withinStep(step: Step, probe: number, share: number): number {
  const y0 = step.before[probe];
  const y2 = step.after[probe];
  if (step.middle >= step.to) return y0 + (y2 - y0) * share;
  const y1 = step.within[probe];
  const first = (y1 - y0) / STAGE;
  const second = (y2 - y1) / (1 - STAGE);
  const middle = first * second > 0 ? (3 * first * second) / ((2 - STAGE) * second + (1 + STAGE) * first) : 0;
  return share < STAGE
    ? cubic(y0, y1, outward(first, second, STAGE), middle, STAGE, share / STAGE)
    : cubic(y1, y2, middle, outward(second, first, 1 - STAGE), 1 - STAGE, (share - STAGE) / (1 - STAGE));
}

/**
 * The slope at an outer point, from the chord beside it and the one beyond: a parabola's, kept from
 * passing the points.
 * @param length of the chord beside it, as a share of both
 */
function outward(beside: number, beyond: number, length: number): number {
  const slope = (1 + length) * beside - length * beyond;
  if (slope * beside <= 0) return 0;
  return beside * beyond <= 0 && Math.abs(slope) > 3 * Math.abs(beside) ? 3 * beside : slope;
}

/** Hermite's cubic between two values with their slopes, over a stretch of a length, at a share of it. */
function cubic(
  from: number,
  to: number,
  leaves: number,
  arrives: number,
  length: number,
  at: number,
): number {
  const rest = 1 - at;
  return from + (to - from) * at * at * (3 - 2 * at) + length * at * rest * (leaves * rest - arrives * at);
}
