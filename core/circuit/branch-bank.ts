import { junctionCurrent, limitedVolts } from './junction';
import { limitedOnBend, limiterCurrent } from './limiter';
import type { JunctionTable, LimiterTable } from './plan';
import type { Tolerance } from './tolerance';

/** Turns of an iteration in which a junction may be moved by its current rather than its voltage. */
const CURRENT_TURNS = 12;

/** The nonlinear branches of a plan in Newton's iteration, junction chains first, then limiters: their tangents, and how they stand in the equations. */
export class BranchBank {
  readonly count: number;
  /** Of the last linearisation: the greatest current of a branch, and the most one missed its tangent by beyond its share. */
  greatestAmps = NaN;
  worstMiss = NaN;
  /** An inner voltage was not found: what was linearised since must not count as an answer. */
  innerLost = false;

  private readonly endA: Int32Array;
  private readonly endB: Int32Array;
  /** Like ones side by side. */
  private readonly many: Float64Array;
  /** Volts over one junction of a chain, without its series resistance; over a limiter. */
  private readonly inner: Float64Array;
  /** Volts over the branch at which its tangent was taken; NaN where none holds there. */
  private readonly tangentAt: Float64Array;
  /** Volts over which a branch bends: the slope of its junctions, a limiter's knee. */
  private readonly bend: Float64Array;
  private readonly siemens: Float64Array;
  private readonly offset: Float64Array;
  private readonly slots: Int32Array;
  private readonly law = new Float64Array(2);

  /** @param slotOf where the entry (row, column) of the equations is stored */
  constructor(
    private readonly junctions: JunctionTable,
    private readonly limiters: LimiterTable,
    slotOf: (row: number, column: number) => number,
  ) {
    const count = junctions.ids.length + limiters.ids.length;
    this.count = count;
    this.inner = new Float64Array(count);
    this.tangentAt = new Float64Array(count).fill(NaN);
    this.bend = Float64Array.from([
      ...junctions.slope.map((v, k) => v * junctions.count[k]),
      ...limiters.knee,
    ]);
    this.siemens = new Float64Array(count);
    this.offset = new Float64Array(count);
    this.endA = Int32Array.from([...junctions.a, ...limiters.a]);
    this.endB = Int32Array.from([...junctions.b, ...limiters.b]);
    this.many = Float64Array.from({ length: count }, (_, k) => junctions.parallel[k] ?? 1);
    this.slots = new Int32Array(4 * count);
    for (let k = 0; k < count; k++) {
      const [a, b] = [this.endA[k], this.endB[k]];
      this.slots.set([slotOf(a, a), slotOf(b, b), slotOf(a, b), slotOf(b, a)], 4 * k);
    }
  }

  /**
   * Takes the tangents of all branches anew, where the old ones no longer serve, and notes by how
   * much a current missed the one its tangent gave.
   * @param turn of the iteration; 0 to take the voltages as they are
   * @returns whether every branch could be taken where it stands
   */
  linearise(x: Float64Array, turn: number, tolerance: Tolerance): boolean {
    const { endA, endB, siemens, offset, count } = this;
    let settled = true;
    let greatest = 0;
    let worst = 0;
    this.innerLost = false;
    for (let k = 0; k < count; k++) {
      const across = x[endA[k]] - x[endB[k]];
      const assumed = Math.abs(offset[k] + siemens[k] * across);
      if (this.tangentServes(k, across, tolerance)) {
        if (assumed > greatest) greatest = assumed;
        continue;
      }
      if (this.lineariseOne(k, across, turn)) settled = false;
      const now = Math.abs(offset[k] + siemens[k] * across);
      if (now > greatest) greatest = now;
      const miss = Math.abs(assumed - now) - tolerance.relative * now;
      if (!(miss <= worst)) worst = miss;
    }
    this.greatestAmps = greatest;
    this.worstMiss = worst;
    return settled;
  }

  /** Adds the tangents to the matrix and their offsets to the right side. */
  stamp(values: Float64Array, right: Float64Array): void {
    const { slots, endA, endB, many, siemens, offset, count } = this;
    for (let k = 0; k < count; k++) {
      const g = many[k] * siemens[k];
      const s = 4 * k;
      values[slots[s]] += g;
      values[slots[s + 1]] += g;
      values[slots[s + 2]] -= g;
      values[slots[s + 3]] -= g;
      const i = many[k] * offset[k];
      right[endA[k]] -= i;
      right[endB[k]] += i;
    }
  }

  /** Takes the offsets out of the right side again; the matrix is written anew in each turn. */
  unstamp(right: Float64Array): void {
    const { endA, endB, many, offset, count } = this;
    for (let k = 0; k < count; k++) {
      const i = many[k] * offset[k];
      right[endA[k]] += i;
      right[endB[k]] -= i;
    }
  }

  /** Copies the tangents of the last solution: conductance, offset and inner voltage of each nonlinear branch. */
  giveTangents(into: Float64Array): void {
    const n = this.count;
    for (let k = 0; k < n; k++) {
      into[k] = this.siemens[k];
      into[n + k] = this.offset[k];
      into[2 * n + k] = this.inner[k];
    }
  }
  /** Sets the tangents to start from, as `giveTangents` gave them. */
  takeTangents(from: Float64Array): void {
    const n = this.count;
    for (let k = 0; k < n; k++) {
      this.siemens[k] = from[k];
      this.offset[k] = from[n + k];
      this.inner[k] = from[2 * n + k];
      this.tangentAt[k] = NaN;
    }
  }
  /** Length of what `giveTangents` fills. */
  get tangentsLength(): number {
    return 3 * this.count;
  }

  /** Forgets the inner voltages, before a start that has nothing to do with the last. */
  forget(): void {
    this.inner.fill(0);
    this.tangentAt.fill(NaN);
  }

  /** Voltage over each junction of chain `k` at the last solution: what its resistance leaves of the chain's. */
  junctionVolts(x: Float64Array, k: number): number {
    const { seriesOhms, count } = this.junctions;
    return (x[this.endA[k]] - x[this.endB[k]] - seriesOhms[k] * this.amps(x, k)) / count[k];
  }

  /** Current of one of the like branches `k` (junction chains first, then limiters) by its tangent, in amperes. */
  amps(x: Float64Array, k: number): number {
    return this.offset[k] + this.siemens[k] * (x[this.endA[k]] - x[this.endB[k]]);
  }

  /**
   * Whether the tangent of branch `k` was taken so near that it gives the current as closely as is asked: over a
   * change dv an exponential of slope N Vt leaves its tangent by (dv / N Vt)^2 / 2 of its current, a
   * limiter's knee by no more.
   */
  private tangentServes(k: number, across: number, tolerance: Tolerance): boolean {
    return Math.abs(across - this.tangentAt[k]) <= tolerance.tangentShare * this.bend[k];
  }

  /**
   * Replaces branch `k` by the tangent of its law at the voltage over it, the junction's step shortened where needed.
   * @param turn of the iteration; 0 to take the voltage as it is
   * @returns whether another point than the one asked for was taken
   */
  private lineariseOne(k: number, across: number, turn: number): boolean {
    const assumed = turn === 0 ? NaN : this.offset[k] + this.siemens[k] * across;
    const { junctions, limiters, law } = this;
    const junctionCount = junctions.ids.length;
    if (k >= junctionCount) {
      const knee = limiters.knee[k - junctionCount];
      const volts = Number.isNaN(assumed) ? across : limitedOnBend(across, this.inner[k], knee);
      limiterCurrent(volts, limiters.limit[k - junctionCount], knee, law);
      this.inner[k] = volts;
      this.siemens[k] = law[1];
      this.offset[k] = law[0] - law[1] * volts;
      this.tangentAt[k] = volts === across ? across : NaN;
      return volts !== across;
    }
    const is = junctions.saturation[k];
    const slope = junctions.slope[k];
    const anchor = junctions.anchor[k];
    const ohms = junctions.seriesOhms[k];
    const count = junctions.count[k];
    const before = this.inner[k];
    let volts: number;
    if (ohms > 0) {
      this.findInner(k, across);
      volts = this.inner[k];
    } else {
      volts = across / count;
      junctionCurrent(volts, is, slope, anchor, law);
    }
    let limited = false;
    if (!Number.isNaN(assumed)) {
      let held = limitedVolts(volts, before, slope, junctions.critical[k], anchor);
      if (held < before && before > 0 && turn < CURRENT_TURNS) {
        // What feeds it sets a current rather than a voltage: go where the curve carries that current.
        const carrying = assumed > -0.9 * is ? slope * Math.log1p(assumed / is) : 0;
        const nearOneSlope = held > before - 1.2 * slope;
        if (carrying < before - 0.7 * slope && carrying < held && (assumed > -0.9 * is || nearOneSlope)) {
          held = carrying;
        }
      }
      limited = Math.abs(held - volts) > 1e-9 + 1e-6 * Math.abs(volts);
      if (limited) {
        volts = held;
        junctionCurrent(volts, is, slope, anchor, law);
      }
    }
    this.inner[k] = volts;
    const g = law[1] / (count + ohms * law[1]);
    this.siemens[k] = g;
    this.offset[k] = law[0] - g * (count * volts + ohms * law[0]);
    this.tangentAt[k] = limited || this.innerLost ? NaN : across;
    return limited;
  }

  /**
   * The voltage over each junction of a chain with series resistance, from the voltage over the
   * chain; near enough for the tangent there to give the chain's current. Leaves it in `inner`, and
   * the law at it.
   */
  private findInner(k: number, across: number): void {
    const { junctions, law } = this;
    const is = junctions.saturation[k];
    const slope = junctions.slope[k];
    const anchor = junctions.anchor[k];
    const ohms = junctions.seriesOhms[k];
    const count = junctions.count[k];
    const critical = junctions.critical[k];
    let volts = this.inner[k];
    if (across < count * critical && across > -count * anchor && volts > across / count)
      volts = across / count;
    for (let i = 0; i < 60; i++) {
      junctionCurrent(volts, is, slope, anchor, law);
      const step = (count * volts + ohms * law[0] - across) / (count + ohms * law[1]);
      if (Math.abs(step) <= 1e-5 * slope) {
        this.inner[k] = volts;
        return;
      }
      volts = limitedVolts(volts - step, volts, slope, critical, anchor);
    }
    this.innerLost = true;
    this.inner[k] = volts;
  }
}
