import { settle } from './operating-point';
import { compile, type Plan } from './plan';
import { periodicOn, restStates, type PeriodicOptions, type PeriodicSolution } from './steady';
import { checkStructure } from './structure';
import { System } from './system';
import { signalOf, type Signal, type Wave } from './waveform';
import type { Netlist } from './netlist';
import type { Probe } from './probe';

/**
 * A circuit compiled once and solved for one state after another: sources at any level or wave,
 * switches at any resistance. Each solution begins where the last one ended.
 * A workspace: not to be shared between searches that interleave.
 */
export class Workspace {
  readonly plan: Plan;
  /** Whether anything in it remembers. */
  readonly remembers: boolean;
  private readonly still: System;
  private running: System | null = null;
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
    this.remembers = this.plan.states.ids.length > 0;
    this.probes = probesFor(this.plan);
    this.still = new System(this.plan, true);
    this.still.setSources(0);
  }

  /** How many figures a solution has. */
  get figures(): number {
    return this.probes.length;
  }

  /** Sets what a voltage source does over time. */
  setWave(id: string, wave: Wave): void {
    const k = this.plan.voltages.ids.indexOf(id);
    (this.plan.voltages.signals as Signal[])[k] = signalOf(wave);
    this.still.volts[k] = this.plan.voltages.signals[k].at(0);
  }

  /** Holds a voltage source at a level, in volts, for what is solved at rest. */
  setLevel(id: string, volts: number): void {
    this.still.volts[this.plan.voltages.ids.indexOf(id)] = volts;
  }

  /** Holds a switch at a resistance, in ohms. */
  setSwitch(id: string, ohms: number): void {
    this.plan.switches.onSiemens[this.plan.switches.ids.indexOf(id)] = 1 / ohms;
  }

  /**
   * Solves the circuit at rest, as set.
   * @param into gets each probe's figure
   * @throws CircuitError 'no-convergence'
   */
  solve(into: Float64Array): void {
    settle(this.still, 0, this.warm);
    this.warm = true;
    for (let p = 0; p < this.probes.length; p++) into[p] = this.probes[p](this.still, 0);
  }

  /** Charges (C) and fluxes (Vs) at the last solution at rest. */
  get stored(): Float64Array {
    return restStates(this.still);
  }

  /**
   * The periodic steady state, as set.
   * @throws CircuitError when no common period exists or it does not converge
   */
  periodic(options: PeriodicOptions = {}): PeriodicSolution {
    this.running ??= new System(this.plan, false);
    return periodicOn(this.plan, this.probes, options, this.running);
  }
}
