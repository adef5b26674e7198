import type { StateTable } from './plan';

/** The bent capacitors of a plan in Newton's iteration: each stands in the equations by the tangent of its charge. */
export class ChargeBank {
  /** Which states are bent; at rest nothing flows into a charge, and none is looked at. */
  private readonly bent: readonly number[];
  /** By state: the voltage a tangent was taken at, the charge there and its slope. */
  private readonly volts: Float64Array;
  private readonly charge: Float64Array;
  private readonly farads: Float64Array;
  private readonly law = new Float64Array(2);

  constructor(
    private readonly states: StateTable,
    private readonly ownSlots: Int32Array,
    still: boolean,
  ) {
    const { laws } = states;
    this.bent = still ? [] : [...laws.keys()].filter((s) => laws[s]);
    const blank = (): Float64Array => new Float64Array(laws.length);
    this.volts = blank();
    this.charge = blank();
    this.farads = blank();
  }

  /**
   * Replaces every charge by its tangent at the voltages in `x`.
   * @param span what turns a charge into a current, in seconds
   * @param relative share of a current by which the last tangents may have missed it
   * @returns the largest miss over that, in amperes; Infinity while a step was shortened
   */
  linearise(x: Float64Array, span: number, relative: number): number {
    const { a, b, branch, laws } = this.states;
    const { bent, volts, charge, farads, law } = this;
    let worst = 0;
    for (let k = 0; k < bent.length; k++) {
      const s = bent[k];
      const wanted = x[a[s]] - x[b[s]];
      const at = laws[s]!.limited(wanted, volts[s]);
      const assumed = charge[s] + farads[s] * (at - volts[s]);
      laws[s]!.at(at, law);
      volts[s] = at;
      charge[s] = law[0];
      farads[s] = law[1];
      const miss = Math.abs(law[0] - assumed) / span - relative * Math.abs(x[branch[s]]);
      worst = Math.max(worst, Math.abs(at - wanted) > 1e-9 ? Infinity : miss);
    }
    return worst;
  }

  /** Puts the tangents into the equations: V - (span / C) I = (past - Q0) / C + V0. */
  stamp(values: Float64Array, right: Float64Array, past: Float64Array, span: number): void {
    const { bent, charge, farads } = this;
    for (let k = 0; k < bent.length; k++) {
      const s = bent[k];
      values[this.ownSlots[s]] -= span / farads[s];
      right[this.states.branch[s]] = (past[s] - charge[s]) / farads[s] + this.volts[s];
    }
  }
}
