import { storedAt } from './charge';
import { CircuitError } from './error';
import { StretchMemory } from './memory';
import { settle } from './operating-point';
import { compile, type Plan } from './plan';
import { Prediction } from './prediction';
import { Stored } from './stored';
import { Stretch } from './stretch';
import { checkStructure } from './structure';
import { System } from './system';
import { RUN_TOLERANCE } from './tolerance';
import { ALPHA, bdf2Past, STAGE } from './tr-bdf2';
import type { Netlist } from './netlist';
import type { Probe } from './probe';

/** What a run needs to go on exactly as if it had not been stopped. Plain data. */
export interface Snapshot {
  readonly seconds: number;
  readonly unknowns: readonly number[];
  readonly stored: readonly number[];
  readonly rates: readonly number[];
  readonly scales: readonly number[];
  readonly usual: readonly number[];
  readonly nextStep: number;
  readonly fresh: boolean;
}

export interface TransientOptions {
  readonly stop: number;
  /** Longest step allowed, in seconds. */
  readonly longestStep: number;
  /**
   * `rest`: from the operating point; `given`: from the stated initial conditions (zero where none);
   * `stored`: from these charges (C) and fluxes (Vs), in the plan's order of states.
   */
  readonly start: 'rest' | 'given' | { readonly stored: ArrayLike<number> };
  /** Error allowed in a capacitor's mean current over a step, as a share of the current it lately carried. */
  readonly relative?: number;
  /**
   * Seconds between figures that are read off inside a step: a longer step is shortened where a probe
   * turns a corner in it, as when a rectifier begins to conduct.
   */
  readonly readEvery?: number;
}

/** An accepted step: probes at its start, at its inner stage and at its end. */
export interface Step {
  from: number;
  middle: number;
  to: number;
  readonly before: Float64Array;
  readonly within: Float64Array;
  readonly after: Float64Array;
}

/** Error allowed in a capacitor's mean current where nothing else is said. */
const USUAL_ERROR = 1e-3;
/** How far a probe may lie off the straight line inside a step that is read off, as a share of its greatest. */
const CORNER = 3e-3;

/** Charges or fluxes a plan starts from by its stated initial conditions; zero where none is given. */
export function givenStates(plan: Plan): Float64Array {
  return plan.states.initial.map((initial, s) =>
    storedAt(plan.states, s, Number.isNaN(initial) ? 0 : initial),
  );
}

/**
 * A run through time by TR-BDF2 with variable steps: L-stable, second order. Steps never cross a
 * corner of a source or a switch; within that, the error of each capacitor's charge (inductor's
 * flux) per unit of time is held to a share of the current (voltage) it lately carried, and per
 * cycle of a fast source to a share of what the cycle moves. After a
 * sudden change the first step is a tiny backward Euler one, which needs no rates from before.
 * The inner loop allocates nothing. `advance` runs a bounded number of steps, so that a caller can
 * show progress or stop.
 */
export class Transient {
  readonly step: Step;
  // Figures begin as NaN, so that the machine never takes one for a whole number and has to think again.
  seconds = NaN;
  steps = 0;
  rejected = 0;
  /** Called after each accepted step; `step` holds the figures. */
  onStep: ((step: Step) => void) | null = null;
  /** Called once for each stage solved, in order, when sensitivities are followed. */
  onStage: ((stage: 'euler' | 'trapezoid' | 'bdf2', span: number) => void) | null = null;

  private readonly probes: readonly Probe[];
  private readonly states: Stored;
  private readonly x0: Float64Array;
  /** Unknowns at the inner stage of the step under way. */
  private readonly xWithin: Float64Array;
  private readonly prediction: Prediction;
  private nextStep: number;
  private readonly repeats: StretchMemory;
  private readonly stretch: Stretch;
  private fresh: boolean;
  private stop: number;
  private goesOn = false;
  /** The greatest each probe has been, without sign. */
  private readonly greatest: Float64Array;

  constructor(
    readonly plan: Plan,
    readonly options: TransientOptions,
    probes: readonly Probe[],
    /** Where its equations are solved; one run at a time. */
    readonly system = new System(plan, false),
  ) {
    this.stop = options.stop;
    this.seconds = 0;
    this.probes = probes;
    this.stretch = new Stretch(plan);
    const { longestPeriod } = this.stretch;
    this.states = new Stored(
      plan,
      options.relative ?? USUAL_ERROR,
      longestPeriod > 0 ? 2 * longestPeriod : options.stop / 20,
    );
    this.x0 = new Float64Array(plan.unknowns + 1);
    this.greatest = new Float64Array(probes.length);
    this.repeats = new StretchMemory(plan, this.system);
    this.xWithin = new Float64Array(plan.unknowns + 1);
    this.prediction = new Prediction(plan.unknowns + 1);
    this.nextStep = options.longestStep;
    this.step = {
      from: NaN,
      middle: NaN,
      to: NaN,
      before: new Float64Array(probes.length),
      within: new Float64Array(probes.length),
      after: new Float64Array(probes.length),
    };
    this.step.from = this.step.middle = this.step.to = 0;
    this.fresh = options.start !== 'rest';
    this.begin();
  }

  /** Moves the stop time on, so that a run can be taken in stretches whose ends do not hang on who asks. */
  goOn(stop: number): void {
    this.goesOn = true;
    this.stop = stop;
    this.findCorner();
  }

  get done(): boolean {
    return this.seconds >= this.stop - this.crumb;
  }

  /** Corners nearer together than this count as one. */
  private get crumb(): number {
    return 1e-12 * this.stop;
  }

  private begin(): void {
    const { plan, system, options } = this;
    system.setSources(0);
    if (options.start === 'rest') {
      const still = new System(plan, true);
      still.setSources(0);
      settle(still, 0, false);
      system.x.set(still.x);
      const { states } = plan;
      const { stored } = this.states.start;
      for (let s = 0; s < stored.length; s++) {
        const current = still.x[states.branch[s]];
        const voltage = still.x[states.a[s]] - still.x[states.b[s]];
        stored[s] = storedAt(states, s, s < states.capacitors ? voltage : current);
        system.x[states.branch[s]] = s < states.capacitors ? 0 : current;
      }
      system.past.set(stored);
      if (!system.solve(this.tiny(), 0, RUN_TOLERANCE)) throw this.lost();
    } else {
      this.states.start.stored.set(
        options.start === 'given' ? givenStates(plan) : Float64Array.from(options.start.stored),
      );
      this.settleFresh();
    }
    this.readInto(this.step.after, 0);
    this.x0.set(system.x);
    this.findCorner();
  }

  /** Voltages and currents that belong to the stored charges at this very moment. */
  private settleFresh(): void {
    const { system } = this;
    system.past.set(this.states.start.stored);
    system.setSources(this.seconds);
    if (system.solve(this.tiny(), this.seconds, RUN_TOLERANCE)) return;
    // From nothing at all the iteration may start too far off: raise the sources to it.
    system.forget();
    for (const share of [0.01, 0.05, 0.1, 0.2, 0.35, 0.5, 0.65, 0.8, 0.9, 1]) {
      system.sourceScale = share;
      const ok = system.solve(this.tiny(), this.seconds, RUN_TOLERANCE);
      if (!ok && share === 1) throw this.lost();
    }
    system.sourceScale = 1;
  }

  /** A time so short that nothing stored changes in it. */
  private tiny(): number {
    return Math.max(1e-15, 1e-9 * Math.min(this.options.longestStep, this.stop));
  }

  private lost(): CircuitError {
    const { plan } = this;
    const bent = [plan.junctions, plan.transistors, plan.limiters, plan.regulators, plan.switches];
    const names = bent.flatMap((table) => table.ids);
    const all = names.length > 0 ? names : plan.netlist.elements.map((e) => e.id);
    return new CircuitError(
      'no-convergence',
      `no solution at ${this.seconds.toPrecision(6)} s for ${all.slice(0, 6).join(', ')}`,
      all,
    );
  }

  private readInto(out: Float64Array, seconds: number): void {
    for (let i = 0; i < this.probes.length; i++) out[i] = this.probes[i](this.system, seconds);
  }

  private findCorner(): void {
    const { stretch, seconds } = this;
    stretch.begin(seconds, this.stop, this.crumb);
    this.repeats.open(seconds, stretch.to, this.goesOn || stretch.mayComeAgain(this.stop));
    if (stretch.moving) this.nextStep = stretch.firstStep;
    else if (this.steps > 0 && this.prediction.span < stretch.grain / 8) this.nextStep = stretch.to - seconds;
  }

  /**
   * Takes at most this many accepted steps.
   * @throws CircuitError when a step cannot be solved however short
   */
  advance(limit: number): void {
    for (let i = 0; i < limit && !this.done; i++) this.takeStep();
  }

  private takeStep(): void {
    const longest = this.stretch.longestStep(this.options.longestStep);
    const room = this.stretch.to - this.seconds;
    const like = this.repeats.span();
    let h = Math.min(Number.isNaN(like) ? this.nextStep : like, longest);
    if (this.fresh) h = Math.min(this.tiny(), room / 4);
    // Two like steps rather than one long and a crumb.
    if (h >= room * 0.999) h = room;
    else if (h > room / 2 && Number.isNaN(like)) h = room / 2;
    const { step } = this;
    const wasFresh = this.fresh;
    for (let tries = 0; ; tries++) {
      if (h < 1e-13 * Math.max(this.seconds, 1e-6) || tries > 80) throw this.lost();
      const excess = wasFresh ? this.tryEuler(h) : this.tryPair(h);
      if (excess <= 1) {
        const grow = wasFresh ? 8 : Math.min(8, Math.max(0.3, 0.85 / Math.cbrt(Math.max(excess, 1e-6))));
        this.nextStep = h * grow;
        break;
      }
      this.rejected++;
      this.system.x.set(this.x0);
      const shorter = Number.isFinite(excess) ? Math.min(0.7, Math.max(0.1, 0.85 / Math.cbrt(excess))) : 0.2;
      // What a shorter step hardly mended is faster than the step by far.
      h = Math.max(h * shorter ** Math.min(tries + 1, 3), Math.min(h * shorter, this.tiny()));
    }
    step.from = this.seconds;
    const atCorner = h === room;
    const end = atCorner ? this.stretch.to : this.seconds + h;
    step.middle = this.seconds + (end - this.seconds) * (wasFresh ? 1 : STAGE);
    step.to = end;
    this.states.moveOn(h);
    if (!wasFresh) this.repeats.note(h, this.x0);
    this.prediction.note(this.x0, this.xWithin, h);
    this.x0.set(this.system.x);
    this.seconds = end;
    this.fresh = false;
    this.steps++;
    this.onStep?.(step);
    if (!atCorner) return;
    this.repeats.close();
    if (!this.done) this.findCorner();
  }

  /** A backward Euler step from charges alone. @returns 0, or NaN when it could not be solved */
  private tryEuler(h: number): number {
    const { system, step, states } = this;
    const at = this.seconds + h;
    system.setSources(at);
    system.past.set(this.states.start.stored);
    if (!system.solve(h, at, RUN_TOLERANCE)) return NaN;
    states.read(system, h, states.end);
    step.before.set(step.after);
    this.readInto(step.after, at);
    step.within.set(step.after);
    for (let i = 0; i < this.x0.length; i++)
      this.xWithin[i] = this.x0[i] + STAGE * (system.x[i] - this.x0[i]);
    this.onStage?.('euler', h);
    states.forgetLately();
    return 0;
  }

  /** Both stages of a step. @returns the error over what is allowed; NaN when it could not be solved */
  private tryPair(h: number): number {
    const { system, states, step, x0 } = this;
    const { start, stage } = states;
    const count = start.stored.length;
    const span = ALPHA * h;
    const middle = this.seconds + STAGE * h;
    const end = this.seconds + h;
    const held = step.after;
    system.setSources(middle);
    for (let s = 0; s < count; s++) system.past[s] = start.stored[s] + span * start.rates[s];
    const knownStage = this.repeats.guess(false, h, x0);
    if (!knownStage && this.runsOn) this.prediction.ofStage(system.x, x0, STAGE * h);
    if (!system.solve(span, middle, RUN_TOLERANCE, knownStage)) return NaN;
    states.read(system, span, stage);
    this.readInto(step.within, middle);
    this.xWithin.set(system.x);
    this.onStage?.('trapezoid', span);

    system.setSources(end);
    for (let s = 0; s < count; s++) system.past[s] = bdf2Past(stage.stored[s], start.stored[s]);
    this.repeats.noteStage();
    const knownEnd = this.repeats.guess(true, h, x0);
    if (!knownEnd) this.prediction.ofEnd(system.x, x0, h, this.runsOn);
    if (!system.solve(span, end, RUN_TOLERANCE, knownEnd)) return NaN;
    states.read(system, span, states.end);

    const worst = Math.max(states.worstError(h, this.stretch.grain), this.cornerIn(h));
    if (worst <= 1) {
      step.before.set(held);
      this.readInto(step.after, end);
      this.onStage?.('bdf2', span);
    }
    return worst;
  }

  /**
   * How sharply the probes turn within a step that ends with what is solved now, over what may be where
   * figures are read off inside it; the cube of it, as an error is told. 0 where none are.
   */
  private cornerIn(h: number): number {
    const { system, step, greatest } = this;
    const least = (this.options.readEvery ?? Infinity) / 8;
    if (!(h > least)) return 0;
    let worst = 0;
    const end = this.seconds + h;
    for (let i = 0; i < greatest.length; i++) {
      const after = this.probes[i](system, end);
      const before = step.after[i];
      greatest[i] = Math.max(greatest[i], Math.abs(before), Math.abs(after));
      const bend = Math.abs(step.within[i] - before - STAGE * (after - before));
      if (bend > worst * CORNER * greatest[i]) worst = bend / (CORNER * greatest[i]);
    }
    // A step no longer than the figures lie apart is short enough.
    return Math.min(worst, (0.85 * h) / least) ** 3;
  }

  /** Whether the unknowns follow on from the last step: no corner lies between. */
  private get runsOn(): boolean {
    return this.seconds !== this.stretch.from;
  }

  /** Charges (C) and fluxes (Vs) now stored, in the plan's order of states. */
  get storedNow(): Float64Array {
    return this.states.start.stored;
  }
  /** The largest rates lately seen: currents of capacitors, voltages of inductors. */
  get scalesNow(): Float64Array {
    return this.states.scales;
  }

  snapshot(): Snapshot {
    const { start, scales, usual } = this.states;
    return {
      seconds: this.seconds,
      unknowns: [...this.x0],
      stored: [...start.stored],
      rates: [...start.rates],
      scales: [...scales],
      usual: [...usual],
      nextStep: this.nextStep,
      fresh: this.fresh,
    };
  }

  /**
   * Puts the run at a snapshot of the same topology.
   * @param changed the sources or switches differ from those it was taken under
   */
  resume(from: Snapshot, changed: boolean): void {
    this.seconds = from.seconds;
    this.system.x.set(from.unknowns);
    this.x0.set(from.unknowns);
    const { start, scales, usual } = this.states;
    start.stored.set(from.stored);
    start.rates.set(from.rates);
    scales.set(from.scales);
    usual.set(from.usual);
    this.repeats.clear();
    this.prediction.span = 0;
    this.fresh = from.fresh || changed;
    if (this.fresh) this.settleFresh();
    this.readInto(this.step.after, this.seconds);
    this.x0.set(this.system.x);
    this.findCorner();
    this.nextStep = from.nextStep;
  }
}

/** Structure checked and run set up, from a netlist. */
export function transientOf(
  netlist: Netlist,
  options: TransientOptions,
  probesFor: (plan: Plan) => readonly Probe[],
): Transient {
  checkStructure(netlist, options.start !== 'rest');
  const plan = compile(netlist);
  return new Transient(plan, options, probesFor(plan));
}
