import { Factorisation } from './factorisation';
import { junctionCurrent, limitedVolts } from './junction';
import { limitedOnBend, limiterCurrent } from './limiter';
import { RegulatorBank } from './regulator-bank';
import { TransistorBank } from './transistor-bank';
import { patternOf, pivotRows } from './pattern';
import { switchSiemens } from './switch';
import type { Plan } from './plan';

/** How closely Newton's iteration must settle. */
export interface Tolerance {
  /** Relative and absolute error of a nonlinear branch's current, in amperes. */
  readonly relative: number;
  readonly amps: number;
  /** The same as a share of the greatest current any nonlinear branch carries. */
  readonly ampsOfGreatest: number;
  /** Relative and absolute change of a voltage in the last step, in volts. */
  readonly voltsRelative: number;
  readonly volts: number;
  /** Share of its slope by which a branch may move from where its tangent was taken before it is taken anew. */
  readonly tangentShare: number;
  readonly iterations: number;
}
export const STATIC_TOLERANCE: Tolerance = {
  relative: 1e-9,
  amps: 1e-13,
  ampsOfGreatest: 0,
  voltsRelative: 1e-9,
  volts: 1e-9,
  tangentShare: 0,
  iterations: 120,
};
export const RUN_TOLERANCE: Tolerance = {
  relative: 3e-5,
  amps: 1e-12,
  ampsOfGreatest: 1e-6,
  voltsRelative: 1e-4,
  volts: 1e-4,
  tangentShare: 2e-3,
  iterations: 40,
};

/** Turns of an iteration in which a junction may be moved by its current rather than its voltage. */
const CURRENT_TURNS = 12;

/**
 * The equations of a plan and Newton's iteration on them: modified nodal analysis with the
 * currents of sources, capacitors and inductors as unknowns of their own, so that neither a large
 * capacitor nor a tiny step drowns a small conductance in rounding.
 * At rest (`static`) capacitors carry nothing and inductors drop nothing.
 * A workspace: not to be shared between runs that interleave.
 */
export class System {
  readonly factors: Factorisation;
  /** Unknowns of the last solve; one longer, the last always 0 for ground. */
  readonly x: Float64Array;
  readonly right: Float64Array;
  /** Values of the sources now in force, scaled by `sourceScale`. */
  readonly volts: Float64Array;
  readonly amps: Float64Array;
  /** What a capacitor's or inductor's past contributes: charge or flux in C or Vs. */
  readonly past: Float64Array;
  sourceScale = NaN;
  /** Extra conductance from every node to ground, for gmin stepping. */
  extraSiemens = NaN;
  iterationsUsed = 0;

  private readonly base: Float64Array;
  private readonly fixed: Float64Array;
  private readonly nodeSlots: Int32Array;
  private readonly ownSlots: Int32Array;
  private readonly values: Float64Array;
  private readonly next: Float64Array;
  private readonly inner: Float64Array;
  /** Volts over each nonlinear branch at which its tangent was taken; NaN where none holds there. */
  private readonly tangentAt: Float64Array;
  /** Volts over which each nonlinear branch bends: the slope of its junctions, a limiter's knee. */
  private readonly bend: Float64Array;
  private readonly law = new Float64Array(2);
  private readonly siemens: Float64Array;
  private readonly offset: Float64Array;
  private readonly stamps: Int32Array;
  /** Nonlinear branches: junction chains, then limiters; their ends, and like ones side by side. */
  private readonly nonlinear: number;
  private readonly endA: Int32Array;
  private readonly endB: Int32Array;
  private readonly many: Float64Array;
  private readonly switchStamps: Int32Array;
  private readonly bank: RegulatorBank;
  private readonly transistors: TransistorBank;
  private span = NaN;
  /** An inner voltage was not found: what was linearised since must not count as an answer. */
  private innerLost = false;
  /** Of the last linearisation: the greatest current of a branch, and the most one missed its tangent by beyond its share. */
  private greatestAmps = NaN;
  private worstMiss = NaN;
  private baseExtra = NaN;

  constructor(
    readonly plan: Plan,
    readonly still: boolean,
  ) {
    const { unknowns, states, junctions, limiters, switches } = plan;
    // A figure that begins as a whole number makes the machine compile twice.
    this.sourceScale = 1;
    this.extraSiemens = 0;
    this.factors = new Factorisation(unknowns, patternOf(plan), pivotRows(plan, still));
    this.base = new Float64Array(this.factors.slots + 1);
    this.values = new Float64Array(this.factors.slots + 1);
    this.fixed = this.fixedEntries();
    this.nodeSlots = Int32Array.from(plan.nodes, (_, n) => this.factors.slot(n, n));
    this.ownSlots = Int32Array.from(states.branch, (branch) => this.factors.slot(branch, branch));
    this.x = new Float64Array(unknowns + 1);
    this.next = new Float64Array(unknowns + 1);
    this.right = new Float64Array(unknowns + 1);
    this.volts = new Float64Array(plan.voltages.ids.length);
    this.amps = new Float64Array(plan.currents.ids.length);
    this.past = new Float64Array(states.ids.length);
    this.nonlinear = junctions.ids.length + limiters.ids.length;
    this.inner = new Float64Array(this.nonlinear);
    this.tangentAt = new Float64Array(this.nonlinear).fill(NaN);
    this.bend = Float64Array.from([
      ...junctions.slope.map((v, k) => v * junctions.count[k]),
      ...limiters.knee,
    ]);
    this.siemens = new Float64Array(this.nonlinear);
    this.offset = new Float64Array(this.nonlinear);
    this.endA = Int32Array.from([...junctions.a, ...limiters.a]);
    this.endB = Int32Array.from([...junctions.b, ...limiters.b]);
    this.many = Float64Array.from({ length: this.nonlinear }, (_, k) => junctions.parallel[k] ?? 1);
    this.stamps = new Int32Array(4 * this.nonlinear);
    for (let k = 0; k < this.nonlinear; k++) {
      this.conductanceSlots(this.endA[k], this.endB[k]).forEach((s, i) => (this.stamps[4 * k + i] = s));
    }
    const slotOf = (row: number, column: number): number => this.factors.slot(row, column);
    this.bank = new RegulatorBank(plan.regulators, slotOf);
    this.transistors = new TransistorBank(plan.transistors, slotOf);
    this.switchStamps = new Int32Array(4 * switches.ids.length);
    switches.ids.forEach((_, k) => {
      this.conductanceSlots(switches.a[k], switches.b[k]).forEach(
        (s, i) => (this.switchStamps[4 * k + i] = s),
      );
    });
  }

  /** Sets every source to its value at a moment. */
  setSources(seconds: number): void {
    const { voltages, currents } = this.plan;
    for (let k = 0; k < this.volts.length; k++) this.volts[k] = voltages.signals[k].at(seconds);
    for (let k = 0; k < this.amps.length; k++) this.amps[k] = currents.signals[k].at(seconds);
  }

  /**
   * Newton's iteration from the guess in `x`, left in `x`.
   * @param span what a step's rule multiplies a rate by to get a charge (alpha h), in seconds; unused at rest
   * @param seconds the moment, for switches
   * @param tangentsHeld start from the tangents set by `takeTangents` rather than from those at the guess
   * @returns whether voltages and currents settled
   */
  solve(span: number, seconds: number, tolerance: Tolerance, tangentsHeld = false): boolean {
    if (span !== this.span || this.extraSiemens !== this.baseExtra) this.buildBase(span);
    const { values, x, next, right, bank, transistors } = this;
    this.buildRight(span);
    if (!tangentsHeld) this.lineariseAll(0, tolerance);
    const regulated = bank.count > 0;
    if (regulated) bank.linearise(x, 0);
    const amplified = transistors.count > 0;
    if (amplified) transistors.linearise(x, 0, tolerance.relative);
    for (let turn = 1; turn <= tolerance.iterations; turn++) {
      this.stamp(seconds);
      if (regulated) bank.stamp(values, right, 1);
      if (amplified) transistors.stamp(values, right, 1);
      const solved = this.factors.factorAndSolve(values, right, next);
      if (regulated) bank.stamp(values, right, -1);
      if (amplified) transistors.stamp(values, right, -1);
      this.iterationsUsed++;
      this.takeOffsetsBack();
      if (!solved) return false;
      let settled = this.unmoved(tolerance);
      if (!this.moveOn()) return false;
      if (!this.lineariseAll(turn, tolerance)) settled = false;
      if (regulated) {
        const miss = bank.linearise(x, turn);
        if (!(miss <= tolerance.relative)) settled = false;
      }
      if (amplified) {
        const miss = transistors.linearise(x, turn, tolerance.relative);
        if (!(miss <= this.worstMiss)) this.worstMiss = miss;
      }
      const allowed = tolerance.amps + tolerance.ampsOfGreatest * this.greatestAmps;
      if (settled && !this.innerLost && this.worstMiss <= allowed) return true;
    }
    return false;
  }

  // The loops of an iteration stand in methods of their own: short ones are made fast after a few calls,
  // a long one would run slowly through half of a short study.

  /** Writes the matrix of this turn, and what the tangents add to the right side. */
  private stamp(seconds: number): void {
    const { base, values, right, stamps, endA, endB, many, siemens, offset, nonlinear } = this;
    // Plain loops here and below: for so few entries they are faster than the arrays' own methods.
    for (let i = 0; i < values.length; i++) values[i] = base[i];
    if (this.switchStamps.length > 0) this.stampSwitches(seconds);
    for (let k = 0; k < nonlinear; k++) {
      const g = many[k] * siemens[k];
      const s = 4 * k;
      values[stamps[s]] += g;
      values[stamps[s + 1]] += g;
      values[stamps[s + 2]] -= g;
      values[stamps[s + 3]] -= g;
      const i = many[k] * offset[k];
      right[endA[k]] -= i;
      right[endB[k]] += i;
    }
  }

  private takeOffsetsBack(): void {
    const { right, endA, endB, many, offset, nonlinear } = this;
    for (let k = 0; k < nonlinear; k++) {
      const i = many[k] * offset[k];
      right[endA[k]] += i;
      right[endB[k]] -= i;
    }
  }

  /** Whether the last turn moved no node's voltage by more than is allowed. */
  private unmoved(tolerance: Tolerance): boolean {
    const { x, next } = this;
    const nodeCount = this.plan.nodes.length;
    const { volts, voltsRelative } = tolerance;
    for (let i = 0; i < nodeCount; i++) {
      if (!(Math.abs(next[i] - x[i]) <= volts + voltsRelative * Math.abs(next[i]))) return false;
    }
    return true;
  }

  /** @returns whether every unknown is a number */
  private moveOn(): boolean {
    const { x, next } = this;
    const { unknowns } = this.plan;
    for (let i = 0; i < unknowns; i++) {
      x[i] = next[i];
      if (!Number.isFinite(x[i])) return false;
    }
    return true;
  }

  /**
   * Takes the tangents of all nonlinear branches anew, where the old ones no longer serve, and notes by how
   * much a current missed the one its tangent gave.
   * @param turn of the iteration; 0 to take the voltages as they are
   * @returns whether every branch could be taken where it stands
   */
  private lineariseAll(turn: number, tolerance: Tolerance): boolean {
    const { x, endA, endB, siemens, offset, nonlinear } = this;
    let settled = true;
    let greatest = 0;
    let worst = 0;
    this.innerLost = false;
    for (let k = 0; k < nonlinear; k++) {
      const across = x[endA[k]] - x[endB[k]];
      const assumed = Math.abs(offset[k] + siemens[k] * across);
      if (this.tangentServes(k, across, tolerance)) {
        if (assumed > greatest) greatest = assumed;
        continue;
      }
      if (this.linearise(k, turn)) settled = false;
      const now = Math.abs(offset[k] + siemens[k] * across);
      if (now > greatest) greatest = now;
      const miss = Math.abs(assumed - now) - tolerance.relative * now;
      if (!(miss <= worst)) worst = miss;
    }
    this.greatestAmps = greatest;
    this.worstMiss = worst;
    return settled;
  }

  /** Copies the tangents of the last solution: conductance, offset and inner voltage of each nonlinear branch. */
  giveTangents(into: Float64Array): void {
    const n = this.nonlinear;
    for (let k = 0; k < n; k++) {
      into[k] = this.siemens[k];
      into[n + k] = this.offset[k];
      into[2 * n + k] = this.inner[k];
    }
  }
  /** Sets the tangents to start from, as `giveTangents` gave them. */
  takeTangents(from: Float64Array): void {
    const n = this.nonlinear;
    for (let k = 0; k < n; k++) {
      this.siemens[k] = from[k];
      this.offset[k] = from[n + k];
      this.inner[k] = from[2 * n + k];
      this.tangentAt[k] = NaN;
    }
  }
  /** Length of what `giveTangents` fills. */
  get tangentsLength(): number {
    return 3 * this.nonlinear;
  }

  /** Forgets the inner voltages of the junctions, before a start that has nothing to do with the last. */
  forget(): void {
    this.inner.fill(0);
    this.tangentAt.fill(NaN);
    this.transistors.forget();
    this.x.fill(0);
  }

  /**
   * Solves the equations as last linearised for a right side that comes from changes of the past alone:
   * how the unknowns answer when the charges and fluxes before the step change.
   */
  respond(span: number, past: Float64Array, answer: Float64Array): void {
    const { states } = this.plan;
    const right = this.next;
    right.fill(0);
    for (let s = 0; s < past.length; s++) {
      right[states.branch[s]] = s < states.capacitors ? past[s] / states.capacity[s] : -past[s] / span;
    }
    this.factors.solveAgain(this.values, right, answer);
  }

  /** Voltage over each junction of chain `k` at the last solution: what its resistance leaves of the chain's. */
  junctionVolts(k: number): number {
    const { seriesOhms, count } = this.plan.junctions;
    return (this.x[this.endA[k]] - this.x[this.endB[k]] - seriesOhms[k] * this.branchAmps(k)) / count[k];
  }

  /** Current of one of nonlinear branch `k` (junction chains first, then limiters) at the last solution, in amperes. */
  branchAmps(k: number): number {
    return this.offset[k] + this.siemens[k] * (this.x[this.endA[k]] - this.x[this.endB[k]]);
  }

  /** Current from input to output of regulator `k` at the last solution, in amperes. */
  regulatorAmps(k: number): number {
    return this.bank.amps(this.x, k);
  }

  /** Current into the collector of transistor `k` at the last solution, in amperes. */
  collectorAmps(k: number): number {
    return this.transistors.collectorAmps(this.x, k);
  }

  switchAmps(k: number, seconds: number): number {
    const { a, b } = this.plan.switches;
    return switchSiemens(this.plan, k, seconds) * (this.x[a[k]] - this.x[b[k]]);
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
  private linearise(k: number, turn: number): boolean {
    const across = this.x[this.endA[k]] - this.x[this.endB[k]];
    const assumed = turn === 0 ? NaN : this.offset[k] + this.siemens[k] * across;
    const { junctions, limiters } = this.plan;
    const { law } = this;
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
      this.findInner(k);
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
   * the law at it. (Figures go in and out by arrays: a number handed over costs an allocation here.)
   */
  private findInner(k: number): void {
    const { junctions } = this.plan;
    const { law } = this;
    const is = junctions.saturation[k];
    const slope = junctions.slope[k];
    const anchor = junctions.anchor[k];
    const ohms = junctions.seriesOhms[k];
    const count = junctions.count[k];
    const critical = junctions.critical[k];
    const across = this.x[this.endA[k]] - this.x[this.endB[k]];
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

  private conductanceSlots(a: number, b: number): [number, number, number, number] {
    const f = this.factors;
    return [f.slot(a, a), f.slot(b, b), f.slot(a, b), f.slot(b, a)];
  }

  private stampSwitches(seconds: number): void {
    const { values, switchStamps } = this;
    for (let k = 0; 4 * k < switchStamps.length; k++) {
      const g = switchSiemens(this.plan, k, seconds);
      values[switchStamps[4 * k]] += g;
      values[switchStamps[4 * k + 1]] += g;
      values[switchStamps[4 * k + 2]] -= g;
      values[switchStamps[4 * k + 3]] -= g;
    }
  }

  private buildBase(span: number): void {
    const { plan, base } = this;
    const { fixed } = this;
    for (let i = 0; i < base.length; i++) base[i] = fixed[i];
    if (this.extraSiemens > 0) for (const slot of this.nodeSlots) base[slot] += this.extraSiemens;
    const { states } = plan;
    if (!this.still) {
      for (let k = 0; k < states.branch.length; k++) {
        base[this.ownSlots[k]] -=
          k < states.capacitors ? span / states.capacity[k] : states.capacity[k] / span;
      }
    }
    this.span = span;
    this.baseExtra = this.extraSiemens;
  }

  /** The entries that never change: resistors, and the incidence of the branches that are unknowns. */
  private fixedEntries(): Float64Array {
    const { plan, factors } = this;
    const fixed = new Float64Array(factors.slots + 1);
    plan.resistors.siemens.forEach((g, k) => {
      const [aa, bb, ab, ba] = this.conductanceSlots(plan.resistors.a[k], plan.resistors.b[k]);
      fixed[aa] += g;
      fixed[bb] += g;
      fixed[ab] -= g;
      fixed[ba] -= g;
    });
    const link = (a: number, b: number, branch: number, drop: boolean): void => {
      fixed[factors.slot(a, branch)] += 1;
      fixed[factors.slot(b, branch)] -= 1;
      if (!drop) return;
      fixed[factors.slot(branch, a)] += 1;
      fixed[factors.slot(branch, b)] -= 1;
    };
    plan.voltages.branch.forEach((branch, k) => link(plan.voltages.a[k], plan.voltages.b[k], branch, true));
    const { states } = plan;
    states.branch.forEach((branch, k) => {
      const open = k < states.capacitors && this.still;
      link(states.a[k], states.b[k], branch, !open);
      if (open) fixed[factors.slot(branch, branch)] += 1;
    });
    return fixed;
  }

  private buildRight(span: number): void {
    const { plan, right, sourceScale } = this;
    const { voltages, currents, states } = plan;
    for (let i = 0; i < right.length; i++) right[i] = 0;
    for (let k = 0; k < this.volts.length; k++) right[voltages.branch[k]] = sourceScale * this.volts[k];
    for (let k = 0; k < this.amps.length; k++) {
      right[currents.a[k]] -= sourceScale * this.amps[k];
      right[currents.b[k]] += sourceScale * this.amps[k];
    }
    if (this.still) return;
    for (let s = 0; s < this.past.length; s++) {
      right[states.branch[s]] =
        s < states.capacitors ? this.past[s] / states.capacity[s] : -this.past[s] / span;
    }
  }
}
