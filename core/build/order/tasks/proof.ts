import { CircuitError } from '../../../circuit/error';
import { FAINT_LIGHTNESS } from '../../../light/lamp-light';
import { formatQuantity } from '../../../quantity/format';
import { cellsOf } from '../../../study/cell-life';
import { usualReadings } from '../../../study/solver';
import { need, task, type Need, type Task } from '../task';
import type { Making } from '../making';

const TRY = 3;
const PROVE = 4;
const DARK = 4;

/** What is seen when the whole is tried, solved for the state of every day. */
function expected({ bench }: Making): string {
  try {
    const readings = usualReadings(bench);
    const lit = readings.dies.filter((d) => d.lightness >= FAINT_LIGHTNESS).length;
    return `${lit} of ${readings.dies.length} lit in the state of every day; the supply gives ${formatQuantity(readings.supplyAmps.mean, 'amp', { significant: 2 })}.`;
  } catch (error) {
    if (error instanceof CircuitError) return 'It cannot be solved as it stands; see the findings.';
    throw error;
  }
}

/** The whole is tried with its resistors, proven by the fewest touches, and looked at in the dark, before anything is glued. */
export function proofTasks(making: Making, joined: readonly string[]): Task[] {
  const { bench, facts, count } = making;
  const body = facts.opening(bench.job) !== null;
  const needs: Need[] = joined.map((id) => need(id, 'the circuit is whole only with it'));
  const made: Task[] = [
    task({
      id: 'try',
      does: 'Try the whole circuit, its resistors in it',
      says: expected(making),
      tool: 'supply',
      position: 'inside',
      minutes: TRY * count,
      tests: true,
      needs,
      caution: cellsOf(bench).length > 0 ? 'cells' : null,
    }),
    task({
      id: 'prove',
      does: 'The shortest proof',
      says: 'The few touches of the stage Proof, each with what must be seen: they expose any single fault.',
      tool: 'tester',
      position: 'inside',
      minutes: PROVE * count,
      tests: true,
      needs: [need('try', 'what does not work at all is found first')],
    }),
  ];
  if (body)
    made.push(
      task({
        id: 'dark',
        does: 'Look at it in the dark, shell on',
        says: 'Every lamp lit: light where it should not be is blackened now, while the lamps still come out.',
        tool: 'supply',
        position: 'closed',
        minutes: DARK * count,
        tests: true,
        needs: [need('prove', 'a lamp that is dark leaks no light')],
      }),
    );
  return made;
}
