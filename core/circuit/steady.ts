import { Averages, type Spread } from './average';
import { CircuitError } from './error';
import { factorDense, solveDense } from './factorisation';
import { settle } from './operating-point';
import { compile, type Plan } from './plan';
import { checkStructure } from './structure';
import { System } from './system';
import { bdf2Past } from './tr-bdf2';
import { Transient, type Step } from './transient';
import type { Netlist } from './netlist';
import type { Probe } from './probe';

/** The answer that repeats: one period of it, and each probe's mean, least and greatest. */
export interface PeriodicSolution {
  /** Seconds; 0 when every source is constant and the answer is an operating point. */
  readonly period: number;
  /** Charges (C) and fluxes (Vs) at the start of the period, in the plan's order of states. */
  readonly stored: Float64Array;
  readonly spreads: readonly Spread[];
  /** Shooting iterations needed. */
  readonly iterations: number;
}

export interface PeriodicOptions {
  /** As for a transient: error of a capacitor's mean current, as a share. */
  readonly relative?: number;
  /** Shown every step of the final period. */
  readonly onStep?: (step: Step) => void;
  /** Charges and fluxes to start from, as from the answer before an edit. */
  readonly guess?: ArrayLike<number>;
}

const MOST_ITERATIONS = 60;
/** Turns after which a bracket has to shrink by half in each. */
const PATIENCE = 8;
/** Error allowed within the one period that is repeated: less than in a long run, as it stands for all of them. */
const PERIOD_ERROR = 3e-4;
/** A charge that a period changes by less than this share of itself stands still for all that can be seen. */
const STILL = 2e-10;
/** A fixed point enclosed to this share is found; within it the rounding of a period decides the sign. */
const NARROW = 1e-6;

/**
 * The least common period of all sources.
 * @returns seconds; 0 when all are constant
 * @throws CircuitError 'no-convergence' when a source never repeats or no common period is in reach
 */
export function commonPeriod(plan: Plan): number {
  const named = [
    ...plan.voltages.signals.map((s, k) => ({ id: plan.voltages.ids[k], period: s.period })),
    ...plan.currents.signals.map((s, k) => ({ id: plan.currents.ids[k], period: s.period })),
  ].filter((s) => s.period > 0);
  let common = 0;
  for (const { id, period } of named) {
    if (!Number.isFinite(period)) {
      throw new CircuitError('no-convergence', `${id} does not repeat, so there is no periodic answer`, [id]);
    }
    if (common === 0) {
      common = period;
      continue;
    }
    let laps = 1;
    while (laps <= 500 && Math.abs((common * laps) / period - Math.round((common * laps) / period)) > 1e-7)
      laps++;
    if (laps > 500) {
      const ids = named.map((s) => s.id);
      throw new CircuitError('no-convergence', `${ids.join(', ')} have no common period`, ids);
    }
    common *= laps;
  }
  return common;
}

/** How the states at the end of a run answer to the states at its start, followed along the run. */
class Sensitivity {
  /** d stored(end) / d stored(start), column by column. */
  readonly columns: Float64Array[];
  private readonly rates: Float64Array[];
  private readonly stage: Float64Array[];
  private readonly past: Float64Array;
  private readonly answer: Float64Array;

  constructor(private readonly run: Transient) {
    const n = run.plan.states.ids.length;
    const square = (): Float64Array[] => Array.from({ length: n }, () => new Float64Array(n));
    this.columns = square();
    this.columns.forEach((c, j) => (c[j] = 1));
    this.rates = square();
    this.stage = square();
    this.past = new Float64Array(n);
    this.answer = new Float64Array(run.plan.unknowns + 1);
    run.onStage = (stage, span) => this.follow(stage, span);
  }

  private follow(stage: 'euler' | 'trapezoid' | 'bdf2', span: number): void {
    const { columns, rates, past } = this;
    for (let j = 0; j < columns.length; j++) {
      const column = columns[j];
      for (let s = 0; s < past.length; s++) {
        past[s] =
          stage === 'euler'
            ? column[s]
            : stage === 'trapezoid'
              ? column[s] + span * rates[j][s]
              : bdf2Past(this.stage[j][s], column[s]);
      }
      this.run.system.respond(span, past, this.answer);
      const into = stage === 'trapezoid' ? this.stage[j] : column;
      const { states } = this.run.plan;
      for (let s = 0; s < past.length; s++) {
        const branch = this.answer[states.branch[s]];
        if (s < states.capacitors) {
          into[s] = past[s] + span * branch;
          if (stage !== 'trapezoid') rates[j][s] = branch;
        } else {
          into[s] = states.capacity[s] * branch;
          if (stage !== 'trapezoid') rates[j][s] = (into[s] - past[s]) / span;
        }
      }
    }
  }
}

/**
 * The periodic steady state, by shooting: the stored charges and fluxes that one period returns to
 * themselves, found by Newton's method on the map over one period (Aprille and Trick 1972).
 * @throws CircuitError when the structure is refused, no common period exists or it does not converge
 */
export function periodicSteadyState(
  netlist: Netlist,
  probesFor: (plan: Plan) => readonly Probe[],
  options: PeriodicOptions = {},
): PeriodicSolution {
  checkStructure(netlist, false);
  const plan = compile(netlist);
  return periodicOn(plan, probesFor(plan), options);
}

/**
 * The periodic steady state of a plan, whose structure has been checked.
 * @param system where the laps are solved; kept by who asks again and again
 * @throws CircuitError when no common period exists or it does not converge
 */
export function periodicOn(
  plan: Plan,
  probes: readonly Probe[],
  options: PeriodicOptions = {},
  system = new System(plan, false),
): PeriodicSolution {
  const period = commonPeriod(plan);
  const atRest = (): System => {
    const rest = new System(plan, true);
    rest.setSources(0);
    settle(rest, 0, false);
    return rest;
  };
  if (period === 0) {
    const rest = atRest();
    const figures = probes.map((p) => p(rest, 0));
    return {
      period,
      stored: restStates(rest),
      spreads: figures.map((f) => ({ mean: f, least: f, greatest: f })),
      iterations: 0,
    };
  }
  const lap = (stored: Float64Array, watch: readonly Probe[]): Transient =>
    new Transient(
      plan,
      {
        stop: period,
        longestStep: period / 2,
        start: { stored },
        relative: options.relative ?? PERIOD_ERROR,
      },
      watch,
      system,
    );
  let stored = options.guess ? Float64Array.from(options.guess) : restStates(atRest());
  const n = stored.length;
  let iterations = 0;
  const largest = Math.max(...plan.voltages.signals.map((v) => greatestLevel(v, period)), 1);
  // With one state the map over a period only ever draws nearer to its fixed point, which is therefore bracketed.
  let [below, above] = [-Infinity, Infinity];
  let lastWidth = Infinity;
  for (let settled = n === 0; !settled; iterations++) {
    if (iterations >= MOST_ITERATIONS) {
      throw new CircuitError('no-convergence', 'the circuit does not come to a periodic steady state', [
        ...plan.states.ids,
      ]);
    }
    const run = lap(stored, []);
    const sensitivity = new Sensitivity(run);
    while (!run.done) run.advance(1000);
    const miss = run.storedNow.map((q, s) => q - stored[s]);
    const change = correction(sensitivity.columns, miss);
    settled = true;
    const next = new Float64Array(n);
    for (let s = 0; s < n; s++) {
      const cap = s < plan.states.capacitors;
      let move = change[s];
      if (cap && Math.abs(move) > largest * plan.states.capacity[s]) {
        move = Math.sign(move) * largest * plan.states.capacity[s];
      }
      next[s] = stored[s] + move;
      if (n === 1) {
        if (miss[0] > 0) below = stored[0];
        else above = stored[0];
        const width = above - below;
        // Newton that leaps from one end of what is left to the other narrows it by nothing: halve it.
        const leaps = iterations > PATIENCE && width > lastWidth / 2;
        if ((leaps || !(next[0] > below && next[0] < above)) && Number.isFinite(width))
          next[0] = (below + above) / 2;
        lastWidth = width;
        move = next[0] - stored[0];
        if (Math.abs(miss[0]) <= STILL * Math.abs(stored[0]) || width <= NARROW * Math.abs(stored[0])) {
          settled = true;
          next[0] = stored[0];
          break;
        }
      }
      const rate = Math.max(run.scalesNow[s], 1e-9);
      if (Math.abs(miss[s]) > 1e-4 * rate * period) settled = false;
      if (Math.abs(move) > 1e-5 * (Math.abs(next[s]) + (cap ? 1e-3 * plan.states.capacity[s] : 1e-12))) {
        settled = false;
      }
    }
    // Where Newton wanders, plain laps bring it nearer first.
    const lost = iterations > 25 && iterations % 2 === 0 && !(n === 1 && Number.isFinite(above - below));
    stored = lost ? run.storedNow.slice() : next;
  }
  const averages = new Averages(probes.length);
  const final = lap(stored, probes);
  final.onStep = (step) => {
    averages.add(step);
    options.onStep?.(step);
  };
  while (!final.done) final.advance(1000);
  return { period, stored, spreads: averages.spreads(), iterations };
}

/** Charges and fluxes of a circuit at rest, in the plan's order of states. */
export function restStates(rest: System): Float64Array {
  const { states } = rest.plan;
  return states.capacity.map((c, s) =>
    s < states.capacitors ? c * (rest.x[states.a[s]] - rest.x[states.b[s]]) : c * rest.x[states.branch[s]],
  );
}

/** Solves (1 - M) change = miss; the plain miss where that matrix is singular. */
function correction(columns: readonly Float64Array[], miss: Float64Array): Float64Array {
  const n = miss.length;
  const matrix = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < n; j++) matrix[i * n + j] = (i === j ? 1 : 0) - columns[j][i];
  }
  const order = factorDense(matrix, n);
  if (!order) return miss;
  const change = new Float64Array(n);
  solveDense({ matrix, order }, miss, change);
  return change.every(Number.isFinite) ? change : miss;
}

function greatestLevel(signal: { at(t: number): number }, period: number): number {
  let most = 0;
  for (let i = 0; i < 64; i++) most = Math.max(most, Math.abs(signal.at((period * i) / 64)));
  return most;
}
