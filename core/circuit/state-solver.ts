import { compile, type Plan } from './plan';
import { settle } from './operating-point';
import { checkStructure } from './structure';
import { System } from './system';
import type { Netlist } from './netlist';
import type { Probe } from './probe';

/**
 * A circuit at rest, compiled once and solved for one state after another: sources at any level,
 * switches at any resistance. Each solution begins where the last one ended.
 * A workspace: not to be shared between searches that interleave.
 */
export class StateSolver {
  readonly plan: Plan;
  private readonly system: System;
  private readonly probes: readonly Probe[];
  private warm = false;

  /** @throws CircuitError when the structure is refused */
  constructor(netlist: Netlist, probesFor: (plan: Plan) => readonly Probe[]) {
    // Every switch is held closed at the resistance of the moment.
    const held: Netlist = {
      ...netlist,
      elements: netlist.elements.map((e) =>
        e.kind === 'switch'
          ? { ...e, closed: true, toggleSeconds: [], onOhms: e.closed ? e.onOhms : e.offOhms }
          : e,
      ),
    };
    checkStructure(held, false);
    this.plan = compile(held);
    this.probes = probesFor(this.plan);
    this.system = new System(this.plan, true);
    this.system.setSources(0);
  }

  /** Sets a voltage source, in volts. */
  setSource(id: string, volts: number): void {
    this.system.volts[this.plan.voltages.ids.indexOf(id)] = volts;
  }

  /** Holds a switch at a resistance, in ohms. */
  setSwitch(id: string, ohms: number): void {
    this.plan.switches.onSiemens[this.plan.switches.ids.indexOf(id)] = 1 / ohms;
  }

  /**
   * Solves the state as set.
   * @param into gets each probe's figure
   * @throws CircuitError 'no-convergence'
   */
  solve(into: Float64Array): void {
    settle(this.system, 0, this.warm);
    this.warm = true;
    for (let p = 0; p < this.probes.length; p++) into[p] = this.probes[p](this.system, 0);
  }
}
