import { CircuitError } from '../circuit/error';
import { FAINT_LIGHTNESS, SHOWN } from '../light/lamp-light';
import { shouldShine } from './drive';
import { Solver } from './solver';
import { statesOf, type Reach } from './states';
import type { Stress } from '../supply';
import type { Phase, State } from '../supply/state';
import type { Bench } from './bench';
import type { DieReading, Readings } from './readings';

/** How one colour of a lamp does in a phase of a state, beside what it is meant to do. */
export interface DieVerdict extends DieReading {
  readonly should: boolean;
  readonly does: 'dark' | 'faint' | 'lit';
}

/** One phase of one state, solved. */
export interface TruthRow {
  readonly state: State;
  readonly phase: Phase;
  readonly readings: Readings;
  readonly dies: readonly DieVerdict[];
}

/** A state that has no answer, and why. */
export interface UnsolvedState {
  readonly state: State;
  readonly reason: string;
}

/** Every reachable state, solved. */
export interface TruthTable extends Reach {
  readonly rows: readonly TruthRow[];
  readonly unsolved: readonly UnsolvedState[];
}

/**
 * Solves every phase of every reachable state. What drives the circuit alike is solved once; a state
 * that has no answer is told apart, and the others are not the worse for it.
 */
export function truthTable(bench: Bench, solver = new Solver(bench), stress: Stress = 'usual'): TruthTable {
  const reach = statesOf(bench);
  const unsolved: UnsolvedState[] = [];
  const rows = [...truthRows(solver, reach, unsolved, stress)];
  return { ...reach, rows, unsolved };
}

/**
 * The rows of a truth table one by one, each solved when it is asked for.
 * @param unsolved gathers the states that have no answer; left out, the first such is thrown
 * @throws CircuitError
 */
export function* truthRows(
  solver: Solver,
  { states }: Pick<Reach, 'states'>,
  unsolved?: UnsolvedState[],
  stress: Stress = 'usual',
): Generator<TruthRow> {
  const { job } = solver.bench;
  for (const state of states) {
    for (const phase of solver.phases(state, stress)) {
      try {
        const readings = solver.at(state, { stress, phase });
        yield {
          state,
          phase,
          readings,
          dies: readings.dies.map((die) => {
            const should = shouldShine(job, die.lampId, die.second, state, phase);
            return { ...die, should, does: doesShine(die.lightness, should) };
          }),
        };
      } catch (error) {
        if (!unsolved || !(error instanceof CircuitError)) throw error;
        unsolved.push({ state, reason: error.message });
        break;
      }
    }
  }
}

function doesShine(lightness: number, should: boolean): DieVerdict['does'] {
  if (lightness < FAINT_LIGHTNESS) return 'dark';
  return should || lightness >= SHOWN.shows ? 'lit' : 'faint';
}
