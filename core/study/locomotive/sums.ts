import type { Spread } from '../../circuit/average';

/** What a state's operating points add up to. */
export class Sums {
  readonly forwardAmps: Float64Array;
  readonly ampsSquared: Float64Array;
  readonly voltsSquared: Float64Array;
  readonly peakAmps: Float64Array;
  readonly reverseVolts: Float64Array;
  readonly resistorSquared: Float64Array;
  readonly outputAmps: Float64Array;
  supplyAmps = 0;

  constructor(
    private readonly lamps: number,
    private readonly resistors: number,
    private readonly outputs: number,
  ) {
    this.forwardAmps = new Float64Array(lamps);
    this.ampsSquared = new Float64Array(lamps);
    this.voltsSquared = new Float64Array(lamps);
    this.peakAmps = new Float64Array(lamps);
    this.reverseVolts = new Float64Array(lamps);
    this.resistorSquared = new Float64Array(resistors);
    this.outputAmps = new Float64Array(outputs);
  }

  clear(): void {
    for (const list of [
      this.forwardAmps,
      this.ampsSquared,
      this.voltsSquared,
      this.peakAmps,
      this.reverseVolts,
      this.resistorSquared,
      this.outputAmps,
    ])
      list.fill(0);
    this.supplyAmps = 0;
  }

  add(row: Float64Array, share: number): void {
    const { lamps, resistors, outputs } = this;
    for (let k = 0; k < lamps; k++) {
      const amps = row[2 * k];
      const volts = row[2 * k + 1];
      this.forwardAmps[k] += share * Math.max(0, amps);
      this.ampsSquared[k] += share * amps * amps;
      this.voltsSquared[k] += share * volts * volts;
      this.extremes(k, amps, volts);
    }
    for (let r = 0; r < resistors; r++) this.resistorSquared[r] += share * row[2 * lamps + r] ** 2;
    for (let o = 0; o < outputs; o++)
      this.outputAmps[o] = Math.max(this.outputAmps[o], row[2 * lamps + resistors + o]);
    this.supplyAmps += share * row[2 * lamps + resistors + outputs];
  }

  /** The same from means and extremes of a period, and means of squares. */
  addSpreads(spreads: readonly Spread[], squares: readonly number[], share: number): void {
    const { lamps, resistors, outputs } = this;
    for (let k = 0; k < lamps; k++) {
      this.forwardAmps[k] += share * Math.max(0, spreads[2 * k].mean);
      this.ampsSquared[k] += share * squares[2 * k];
      this.voltsSquared[k] += share * squares[2 * k + 1];
      this.extremes(k, spreads[2 * k].greatest, spreads[2 * k + 1].least);
    }
    for (let r = 0; r < resistors; r++) this.resistorSquared[r] += share * squares[2 * lamps + r];
    for (let o = 0; o < outputs; o++)
      this.outputAmps[o] = Math.max(this.outputAmps[o], spreads[2 * lamps + resistors + o].greatest);
    this.supplyAmps += share * spreads[2 * lamps + resistors + outputs].mean;
  }

  private extremes(k: number, amps: number, volts: number): void {
    if (amps > this.peakAmps[k]) this.peakAmps[k] = amps;
    if (-volts > this.reverseVolts[k]) this.reverseVolts[k] = -volts;
  }
}
