import { BranchBank } from './branch-bank';
import { ChargeBank } from './charge-bank';
import { Factorisation } from './factorisation';
import { RegulatorBank } from './regulator-bank';
import { TransistorBank } from './transistor-bank';
import { patternOf, pivotRows } from './pattern';
import { switchSiemens } from './switch';
import type { Tolerance } from './tolerance';
import type { Plan } from './plan';

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
  private readonly switchStamps: Int32Array;
  /** Junction chains and limiters. */
  readonly branches: BranchBank;
  private readonly bank: RegulatorBank;
  private readonly transistors: TransistorBank;
  private readonly charges: ChargeBank;
  private span = NaN;
  private baseExtra = NaN;

  constructor(
    readonly plan: Plan,
    readonly still: boolean,
  ) {
    const { unknowns, states, switches } = plan;
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
    const slotOf = (row: number, column: number): number => this.factors.slot(row, column);
    this.branches = new BranchBank(plan.junctions, plan.limiters, slotOf);
    this.bank = new RegulatorBank(plan.regulators, slotOf);
    this.transistors = new TransistorBank(plan.transistors, slotOf);
    this.charges = new ChargeBank(states, this.ownSlots, still);
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
   * @param tangentsHeld start from the tangents held by `branches` rather than from those at the guess
   * @returns whether voltages and currents settled
   */
  solve(span: number, seconds: number, tolerance: Tolerance, tangentsHeld = false): boolean {
    if (span !== this.span || this.extraSiemens !== this.baseExtra) this.buildBase(span);
    const { values, x, next, right, branches, bank, transistors, charges } = this;
    this.buildRight(span);
    if (!tangentsHeld) branches.linearise(x, 0, tolerance);
    bank.linearise(x, 0);
    transistors.linearise(x, 0, tolerance.relative);
    charges.linearise(x, span, tolerance.relative);
    for (let turn = 1; turn <= tolerance.iterations; turn++) {
      this.stampFixed(seconds);
      branches.stamp(values, right);
      bank.stamp(values, right, 1);
      transistors.stamp(values, right, 1);
      charges.stamp(values, right, this.past, span);
      const solved = this.factors.factorAndSolve(values, right, next);
      bank.stamp(values, right, -1);
      transistors.stamp(values, right, -1);
      this.iterationsUsed++;
      branches.unstamp(right);
      if (!solved) return false;
      let settled = this.unmoved(tolerance);
      if (!this.moveOn()) return false;
      if (!branches.linearise(x, turn, tolerance)) settled = false;
      if (!(bank.linearise(x, turn) <= tolerance.relative)) settled = false;
      const worst = Math.max(
        branches.worstMiss,
        transistors.linearise(x, turn, tolerance.relative),
        charges.linearise(x, span, tolerance.relative),
      );
      const allowed = tolerance.amps + tolerance.ampsOfGreatest * branches.greatestAmps;
      if (settled && !branches.innerLost && worst <= allowed) return true;
    }
    return false;
  }

  // The loops of an iteration stand in methods of their own: short ones are made fast after a few calls,
  // a long one would run slowly through half of a short study.

  /** Writes into the matrix what no voltage changes. */
  private stampFixed(seconds: number): void {
    const { base, values } = this;
    // Plain loops here and below: for so few entries they are faster than the arrays' own methods.
    for (let i = 0; i < values.length; i++) values[i] = base[i];
    if (this.switchStamps.length > 0) this.stampSwitches(seconds);
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

  /** Forgets the inner voltages of the junctions, before a start that has nothing to do with the last. */
  forget(): void {
    this.branches.forget();
    this.transistors.forget();
    this.x.fill(0);
  }

  /**
   * Solves the equations as last linearised for a right side that comes from changes of the past alone:
   * how the unknowns answer when the charges and fluxes before the step change. Not for bent capacitors.
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
        if (states.laws[k] !== null) continue;
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
