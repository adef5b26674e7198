import { REGULATOR_BEND_VOLTS, regulatorCurrent } from './regulator';
import type { RegulatorTable } from './plan';

const [OFF, ON, CORNER] = [0, 1, 2];

/** The regulators of a plan in Newton's iteration: their tangents, and how they stand in the equations. */
export class RegulatorBank {
  readonly count: number;
  /** Tangent of each pass current: offset, and slopes against input, output and common. */
  private readonly pass: Float64Array;
  private readonly slots: Int32Array;
  /** Where each was last linearised: off, on, or at the corner between. */
  private readonly state: Uint8Array;
  private readonly law = new Float64Array(3);

  /** @param slotOf where the entry (row, column) of the equations is stored */
  constructor(
    private readonly table: RegulatorTable,
    slotOf: (row: number, column: number) => number,
  ) {
    const { ids, a, b, c } = table;
    this.count = ids.length;
    this.pass = new Float64Array(4 * this.count);
    this.state = new Uint8Array(this.count);
    this.slots = new Int32Array(6 * this.count);
    ids.forEach((_, k) => {
      const ends = [a[k], b[k], c[k]];
      ends.slice(0, 2).forEach((row, r) => {
        ends.forEach((column, i) => (this.slots[6 * k + 3 * r + i] = slotOf(row, column)));
      });
    });
  }

  /** Current from input to output of regulator `k` by its tangent, in amperes. */
  amps(x: Float64Array, k: number): number {
    const { a, b, c } = this.table;
    const { pass } = this;
    return pass[4 * k] + pass[4 * k + 1] * x[a[k]] + pass[4 * k + 2] * x[b[k]] + pass[4 * k + 3] * x[c[k]];
  }

  /**
   * Replaces every regulator by the tangent of its law at the voltages in `x`.
   * One that was on and would now be off is first taken at its corner: between on at its set output
   * and off lies the dropout, which full steps jump over to and fro.
   * @param turn of the iteration; 0 for the guess it starts from
   * @returns the largest error of the last tangents, as a share of the current (1 mA at least); 0 for the guess
   */
  linearise(x: Float64Array, turn: number): number {
    const { a, b, c, set, dropout, alike } = this.table;
    const { pass, state, law } = this;
    const judge = turn > 0;
    let worst = 0;
    for (let k = 0; k < this.count; k++) {
      const input = x[a[k]] - x[c[k]];
      let output = x[b[k]] - x[c[k]];
      const drive = Math.min(set[k], input - dropout[k]) - output;
      const off = drive < -REGULATOR_BEND_VOLTS;
      const atCorner = judge && off && state[k] === ON;
      if (atCorner) {
        output += drive;
        worst = Infinity;
      }
      state[k] = atCorner ? CORNER : off ? OFF : ON;
      const assumed = judge ? this.amps(x, k) : 0;
      regulatorCurrent(input, output, set[k], dropout[k], law);
      for (let i = 0; i < 3; i++) law[i] *= alike[k];
      if (judge) worst = Math.max(worst, Math.abs(law[0] - assumed) / Math.max(Math.abs(law[0]), 1e-3));
      pass[4 * k] = law[0] - law[1] * input - law[2] * output;
      pass[4 * k + 1] = law[1];
      pass[4 * k + 2] = law[2];
      pass[4 * k + 3] = -law[1] - law[2];
    }
    return worst;
  }

  /** Puts the tangents into the equations (sign 1), or takes their offsets out of the right side again (-1). */
  stamp(values: Float64Array, right: Float64Array, sign: 1 | -1): void {
    const { a, b } = this.table;
    const { pass, slots } = this;
    for (let k = 0; k < this.count; k++) {
      right[a[k]] -= sign * pass[4 * k];
      right[b[k]] += sign * pass[4 * k];
      if (sign < 0) continue;
      for (let j = 0; j < 3; j++) {
        values[slots[6 * k + j]] += pass[4 * k + 1 + j];
        values[slots[6 * k + 3 + j]] -= pass[4 * k + 1 + j];
      }
    }
  }
}
