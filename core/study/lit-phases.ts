import { isDriven } from '../document/aspect-record';
import { HARMFUL_HERTZ } from '../quantity/flashes';
import { behindGlass } from './aspect-looks';
import { aspectIn } from './aspects';
import { Solver } from './solver';
import type { State } from '../supply/state';
import type { AnyJob } from '../document/layout';
import type { Bench } from './bench';
import type { Readings } from './readings';

/** A part of a state that the eye tells from the others, with what shines in it. */
export interface LitPhase {
  readonly seconds: number;
  readonly readings: Readings;
}

/** Readings as an eye gets them that looks through the glass an arm holds before its lamps. */
export function throughGlass(job: AnyJob, readings: Readings, glass: string | null): Readings {
  if (glass === null) return readings;
  return { ...readings, dies: readings.dies.map((die) => ({ ...die, ...behindGlass({ job }, die, glass) })) };
}

/**
 * Every phase of a state in turn, solved, as an eye sees it: the halves of a flash, or one.
 * @throws CircuitError when one cannot be solved
 */
export function litPhases(bench: Bench, state: State, solver = new Solver(bench)): LitPhase[] {
  const { job } = bench;
  const glass = isDriven(job) ? aspectIn(job, state).glass : null;
  return solver.phases(state).map((phase) => ({
    seconds: phase.seconds,
    readings: throughGlass(job, solver.at(state, { phase }), glass),
  }));
}

/** Whether phases change so fast that they are not shown as they are: it could hurt who looks. */
export const tooFastToShow = (phases: readonly Pick<LitPhase, 'seconds'>[]): boolean =>
  phases.length > 1 && phases.reduce((sum, p) => sum + p.seconds, 0) < 1 / HARMFUL_HERTZ.least;
