import { localError } from './tr-bdf2';
import type { Plan } from './plan';
import type { System } from './system';

/**
 * What moves to and fro in one cycle of a source is judged over the cycle: a step may miss this many
 * times the allowed share of the charge the cycle moves. At 5 the averages of a DCC coach that charges
 * from nothing lie within 0.15 % of those at a hundredth of the allowed error.
 */
const CYCLE_SHARES = 5;
/** An error of a capacitor's voltage in one step that nobody asks after, in volts: a hundred thousand of them are a millivolt. */
const STEP_VOLTS = 1e-8;

/** Charges (C) or fluxes (Vs) and their rates (A or V) at one moment, in the plan's order of states. */
export interface Moment {
  readonly stored: Float64Array;
  readonly rates: Float64Array;
}

/** What a circuit has stored over one step of time: at its start, its inner stage and its end. The loops allocate nothing. */
export class Stored {
  readonly start: Moment;
  readonly stage: Moment;
  readonly end: Moment;
  /** The largest rates lately seen, without sign. */
  readonly scales: Float64Array;
  /** Mean rates lately, without sign. */
  readonly usual: Float64Array;

  /**
   * @param relative error allowed in a mean rate over a step, as a share of the rate lately seen
   * @param memory how long "lately" is, in seconds
   */
  constructor(
    private readonly plan: Plan,
    private readonly relative: number,
    private readonly memory: number,
  ) {
    const blank = (): Float64Array => new Float64Array(plan.states.ids.length);
    const moment = (): Moment => ({ stored: blank(), rates: blank() });
    this.start = moment();
    this.stage = moment();
    this.end = moment();
    this.scales = blank();
    this.usual = blank();
  }

  /** Reads what is stored at a moment, and its rates, off a system just solved with a span. */
  read({ x, past }: System, span: number, { stored, rates }: Moment): void {
    const { states } = this.plan;
    for (let s = 0; s < stored.length; s++) {
      const branch = x[states.branch[s]];
      if (s < states.capacitors) {
        rates[s] = branch;
        stored[s] = past[s] + span * branch;
      } else {
        stored[s] = states.capacity[s] * branch;
        // Off the voltage itself: of a large flux and a short step the difference would be rounding.
        rates[s] = x[states.a[s]] - x[states.b[s]];
      }
    }
  }

  /** Moves on to the end of an accepted step of so many seconds. */
  moveOn(span: number): void {
    const { start, end, scales, usual } = this;
    const decay = Math.exp(-span / this.memory);
    for (let s = 0; s < scales.length; s++) {
      usual[s] += (1 - decay) * ((Math.abs(start.rates[s]) + Math.abs(end.rates[s])) / 2 - usual[s]);
      start.stored[s] = end.stored[s];
      start.rates[s] = end.rates[s];
      scales[s] = Math.max(scales[s] * decay, Math.abs(start.rates[s]));
    }
  }

  /** After a sudden change nothing of lately counts but the rates now. */
  forgetLately(): void {
    for (let s = 0; s < this.scales.length; s++) this.scales[s] = Math.abs(this.end.rates[s]);
  }

  /**
   * The greatest local error over what is allowed, of a step of so many seconds.
   * @param grain the quickest cycle of a source, in seconds; 0 where none has one
   */
  worstError(span: number, grain: number): number {
    const { start, stage, end, scales, usual, relative } = this;
    const { capacitors, capacity } = this.plan.states;
    let worst = -Infinity;
    for (let s = 0; s < scales.length; s++) {
      const error = localError(start.rates[s], stage.rates[s], end.rates[s]);
      const scale = Math.max(scales[s], Math.abs(end.rates[s]));
      const perCycle = (CYCLE_SHARES * Math.sqrt(usual[s] * scale) * grain) / span;
      const allowed =
        relative * (scale + perCycle) + (s < capacitors ? 1e-10 + (STEP_VOLTS * capacity[s]) / span : 1e-8);
      if (!(error <= worst * allowed)) worst = error / allowed;
    }
    return worst;
  }
}
