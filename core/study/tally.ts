import type { Spread } from '../circuit/average';

/** Mean, least and greatest of every figure, gathered from operating points or from periods. */
export class Tally {
  readonly means: Float64Array;
  private readonly least: Float64Array;
  private readonly greatest: Float64Array;

  constructor(figures: number) {
    this.means = new Float64Array(figures);
    this.least = new Float64Array(figures).fill(Infinity);
    this.greatest = new Float64Array(figures).fill(-Infinity);
  }

  clear(): void {
    this.means.fill(0);
    this.least.fill(Infinity);
    this.greatest.fill(-Infinity);
  }

  /** Adds the figures at one operating point, for its share of the time. */
  add(row: Float64Array, share: number): void {
    for (let i = 0; i < row.length; i++) {
      this.means[i] += share * row[i];
      if (row[i] < this.least[i]) this.least[i] = row[i];
      if (row[i] > this.greatest[i]) this.greatest[i] = row[i];
    }
  }

  /** Adds one figure over a period, for its share of the time. */
  addSpread(i: number, of: Spread, share: number): void {
    this.means[i] += share * of.mean;
    this.least[i] = Math.min(this.least[i], of.least);
    this.greatest[i] = Math.max(this.greatest[i], of.greatest);
  }

  /** One figure. */
  readonly spread = (i: number): Spread => ({
    mean: this.means[i],
    least: this.least[i],
    greatest: this.greatest[i],
  });
}
