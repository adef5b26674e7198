import { THERMAL_VOLTS } from '../part/junction-model';
import { criticalVolts, limitedVolts } from './junction';
import { transistorCurrents } from './transistor';
import type { TransistorTable } from './plan';

/** Entries of a tangent: collector and base current at no volts, then their slopes against collector, emitter and base. */
const TANGENT = 8;

/** The transistors of a plan in Newton's iteration: their tangents, and how they stand in the equations. */
export class TransistorBank {
  readonly count: number;
  private readonly tangents: Float64Array;
  /** Volts over base and emitter, and over base and collector, at which each was last linearised. */
  private readonly inner: Float64Array;
  private readonly slots: Int32Array;
  private readonly critical: Float64Array;
  private readonly law = new Float64Array(6);

  /** @param slotOf where the entry (row, column) of the equations is stored */
  constructor(
    private readonly table: TransistorTable,
    slotOf: (row: number, column: number) => number,
  ) {
    const { ids, a, b, c, models } = table;
    this.count = ids.length;
    this.tangents = new Float64Array(TANGENT * this.count);
    this.inner = new Float64Array(2 * this.count);
    this.slots = new Int32Array(9 * this.count);
    this.critical = Float64Array.from(
      models.flatMap((m) =>
        [m.forwardEmission, m.reverseEmission].map((n) => criticalVolts(m.saturationAmps, n * THERMAL_VOLTS)),
      ),
    );
    ids.forEach((_, k) => {
      const ends = [a[k], b[k], c[k]];
      ends.forEach((row, r) =>
        ends.forEach((column, i) => (this.slots[9 * k + 3 * r + i] = slotOf(row, column))),
      );
    });
  }

  /** Current into the collector of transistor `k` by its tangent, in amperes. */
  collectorAmps(x: Float64Array, k: number): number {
    return this.by(x, k, 0);
  }

  private by(x: Float64Array, k: number, current: 0 | 1): number {
    const { a, b, c } = this.table;
    const { tangents } = this;
    const at = TANGENT * k + 4 * current;
    return (
      tangents[at] + tangents[at + 1] * x[a[k]] + tangents[at + 2] * x[b[k]] + tangents[at + 3] * x[c[k]]
    );
  }

  /**
   * Replaces every transistor by the tangent of its law at the voltages in `x`, each junction's step shortened where needed.
   * @param turn of the iteration; 0 for the guess it starts from
   * @param relative share of a current by which the last tangents may have missed it
   * @returns the largest miss over that, in amperes; Infinity while a step was shortened
   */
  linearise(x: Float64Array, turn: number, relative: number): number {
    const { a, b, c, sign, models } = this.table;
    const { inner, tangents, law, critical } = this;
    let worst = 0;
    for (let k = 0; k < this.count; k++) {
      const s = sign[k];
      const model = models[k];
      const wantedBe = s * (x[c[k]] - x[b[k]]);
      const wantedBc = s * (x[c[k]] - x[a[k]]);
      const slopeBe = model.forwardEmission * THERMAL_VOLTS;
      const slopeBc = model.reverseEmission * THERMAL_VOLTS;
      const be = limitedVolts(wantedBe, inner[2 * k], slopeBe, critical[2 * k], Infinity);
      const bc = limitedVolts(wantedBc, inner[2 * k + 1], slopeBc, critical[2 * k + 1], Infinity);
      const shortened = Math.abs(be - wantedBe) > 1e-9 || Math.abs(bc - wantedBc) > 1e-9;
      const assumedCollector = this.by(x, k, 0);
      const assumedBase = this.by(x, k, 1);
      inner[2 * k] = be;
      inner[2 * k + 1] = bc;
      transistorCurrents(be, bc, model, law);
      for (let current = 0; current < 2; current++) {
        const byBe = law[2 + 2 * current];
        const byBc = law[3 + 2 * current];
        const at = TANGENT * k + 4 * current;
        tangents[at] = s * (law[current] - byBe * be - byBc * bc);
        tangents[at + 1] = -byBc;
        tangents[at + 2] = -byBe;
        tangents[at + 3] = byBe + byBc;
      }
      if (turn === 0) continue;
      if (shortened) worst = Infinity;
      const missCollector = Math.abs(s * law[0] - assumedCollector) - relative * Math.abs(law[0]);
      const missBase = Math.abs(s * law[1] - assumedBase) - relative * Math.abs(law[1]);
      worst = Math.max(worst, missCollector, missBase);
    }
    return worst;
  }

  /** Puts the tangents into the equations (sign 1), or takes their offsets out of the right side again (-1). */
  stamp(values: Float64Array, right: Float64Array, sign: 1 | -1): void {
    const { a, b, c } = this.table;
    const { tangents, slots } = this;
    for (let k = 0; k < this.count; k++) {
      const at = TANGENT * k;
      const collector = sign * tangents[at];
      const base = sign * tangents[at + 4];
      right[a[k]] -= collector;
      right[c[k]] -= base;
      right[b[k]] += collector + base;
      if (sign < 0) continue;
      for (let j = 0; j < 3; j++) {
        const byCollector = tangents[at + 1 + j];
        const byBase = tangents[at + 5 + j];
        values[slots[9 * k + j]] += byCollector;
        values[slots[9 * k + 3 + j]] -= byCollector + byBase;
        values[slots[9 * k + 6 + j]] += byBase;
      }
    }
  }

  /** Forgets where the junctions stood, before a start that has nothing to do with the last. */
  forget(): void {
    this.inner.fill(0);
  }
}
