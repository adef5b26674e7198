import { CircuitError } from './error';
import type { Plan } from './plan';
import type { System } from './system';
import { STATIC_TOLERANCE } from './tolerance';

/**
 * Solves the circuit at rest, with the sources as they stand at a moment: directly, else by taking
 * away an added conductance to ground step by step, else by raising the sources step by step.
 * Leaves the answer in the system.
 * @param system a system at rest (`still`)
 * @param keepGuess start from what the system holds, as along a sweep
 * @throws CircuitError 'no-convergence', or 'singular' when not even the linear part can be solved
 */
export function settle(system: System, seconds: number, keepGuess: boolean): void {
  const start = system.x.slice();
  const attempt = (): boolean => system.solve(0, seconds, STATIC_TOLERANCE);
  if (keepGuess && attempt()) return;
  system.forget();
  if (attempt()) return;
  if (climb(system, attempt, (s, at) => (s.extraSiemens = at), conductances)) return;
  if (climb(system, attempt, (s, at) => (s.sourceScale = at), shares)) return;
  system.x.set(start);
  const names = suspects(system.plan);
  throw new CircuitError(
    'no-convergence',
    `no operating point found for ${names.slice(0, 6).join(', ')}${names.length > 6 ? ' and others' : ''}`,
    names,
  );
}

/** Conductances from 10 mS down to none, coarsely; finer steps are put between where one fails. */
const conductances = [1e-2, 1e-3, 1e-4, 1e-5, 1e-6, 1e-7, 1e-8, 1e-9, 1e-10, 1e-11, 1e-12, 0];
const shares = [0, 0.001, 0.01, 0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1];

/** Follows the solution along a parameter; halves the way (geometrically or plainly) where it is lost. */
function climb(
  system: System,
  attempt: () => boolean,
  set: (system: System, at: number) => void,
  stations: readonly number[],
): boolean {
  const rest = stations[stations.length - 1];
  system.forget();
  let held: Float64Array | null = null;
  let from = stations[0];
  const todo = [...stations];
  let effort = 0;
  while (todo.length > 0) {
    const to = todo[0];
    set(system, to);
    if (attempt()) {
      held = system.x.slice();
      from = to;
      todo.shift();
      continue;
    }
    if (held === null || ++effort > 200 || Math.abs(to - from) < 1e-9 * (Math.abs(to) + Math.abs(from))) {
      set(system, rest);
      return false;
    }
    system.x.set(held);
    const between: number = to > 0 && from > 0 ? Math.sqrt(to * from) : (to + from) / 2;
    todo.unshift(between);
  }
  set(system, rest);
  return true;
}

function suspects(plan: Plan): string[] {
  const bent = [...plan.junctions.ids, ...plan.transistors.ids, ...plan.limiters.ids, ...plan.regulators.ids];
  return bent.length > 0 ? bent : plan.netlist.elements.map((e) => e.id);
}
