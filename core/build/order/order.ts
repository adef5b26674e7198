import { passingOf } from '../../assembly/passing';
import { formatQuantity, inSentence } from '../../quantity/format';
import { collides, constrained, linked, type Collision, type Graph } from './constraints';
import { endsOf } from './ends';
import { makingOf } from './making';
import { atOnce, type Steps } from '../../quantity/steps';
import { costOf, plainOrder, searchedInSteps, type OrderCost } from './search';
import { bodyTasks } from './tasks/body';
import { closingTasks } from './tasks/close';
import { lampTasks } from './tasks/lamps';
import { proofTasks } from './tasks/proof';
import { jointTasks } from './tasks/joints';
import { threadingTasks } from './tasks/threading';
import { driverTasks, pickupTasks } from './tasks/driver';
import { asSolved, asWired } from '../../study/wired';
import { assemblyAt } from './replay';
import { after, fact, type Fact } from './fact';
import { withoutThere, withParts, withString } from './wire-use';
import type { Bench } from '../../study/bench';
import type { Act, Task } from './task';

/** The tasks of a job in an order that works. */
export interface BuildOrder {
  readonly tasks: readonly Task[];
  readonly cost: OrderCost;
  /** What the same tasks would cost as they were written down. */
  readonly plain: OrderCost;
  /** Work, and with what dries. */
  readonly minutes: number;
}

/** An order, or the facts that allow none. */
export type Ordered =
  | { readonly ok: true; readonly order: BuildOrder }
  | { readonly ok: false; readonly collisions: readonly Collision[] };

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 3 });

/** The tasks of a job, not yet in order, each with what it asks for and makes. */
export function tasksOf(bench: Bench): Act[] {
  const making = makingOf(bench);
  const ends = endsOf(making);
  const lamps = lampTasks(making, ends);
  const sound = making.lots.map((l) => after(fact.sound(l.id), 'the circuit is whole only with it'));
  const acts = withString(making, [
    ...lamps,
    ...bodyTasks(making),
    ...jointTasks(making, ends),
    ...threadingTasks(making, ends),
    ...driverTasks(making, ends),
    ...pickupTasks(making),
    ...proofTasks(making, ends, sound),
    ...closingTasks(making),
  ]);
  return withoutThere(making, withParts(making, acts));
}

/** What a job’s leads have to pass and cannot. */
function collisionsOf(bench: Bench): Collision[] {
  return passingOf(asWired(bench).assembly, bench.job)
    .filter((p) => p.needsMillimetres > p.passage.boreMillimetres + 1e-9)
    .map(({ passage, leads, bundleMillimetres, needsMillimetres }) => ({
      facts: [
        `${passage.name} is ${mm(passage.boreMillimetres)} where it is narrowest.`,
        bundleMillimetres >= needsMillimetres
          ? `${leads.length} leads laid together are ${mm(bundleMillimetres)}.`
          : `What hangs on its wires already is ${mm(needsMillimetres)} across.`,
      ] as const,
      frees: [
        `Open ${inSentence(passage.name)} to ${mm(Math.ceil(needsMillimetres * 10) / 10)}.`,
        bundleMillimetres >= needsMillimetres
          ? 'Take thinner wire.'
          : 'Take it off the wires, thread them bare, and join it after.',
      ],
    }));
}

/** Puts tasks in order. @throws RangeError when a task needs one that is not there */
export const ordered = (tasks: readonly Task[]): Ordered => atOnce(orderedInSteps(tasks));

function* orderedInSteps(tasks: readonly Task[]): Steps<Ordered, number> {
  const graph = constrained(tasks);
  if (collides(graph)) return { ok: false, collisions: [graph] };
  return { ok: true, order: inOrderOf(graph, yield* searchedInSteps(graph)) };
}

function inOrderOf(graph: Graph, order: readonly number[]): BuildOrder {
  const { tasks, before } = graph;
  const cost = costOf(tasks, order, before);
  return {
    tasks: order.map((i) => tasks[i]),
    cost,
    plain: costOf(tasks, plainOrder(graph), before),
    minutes: tasks.reduce((sum, t) => sum + t.minutes, 0) + cost.waitMinutes,
  };
}

/**
 * The order of assembly of a job: computed from its own holes, parts and leads. Where what hangs on a
 * lead does not go through what the lead does, there is none, and the two facts are told.
 * @returns in steps that tell how far the search is, 0 to 1
 */
export function* orderInSteps(bench: Bench): Steps<Ordered, number> {
  const collisions = collisionsOf(bench);
  if (collisions.length > 0) return { ok: false, collisions };
  const acts = tasksOf(bench);
  const made = yield* orderedInSteps(linked(acts));
  return made.ok ? { ok: true, order: { ...made.order, tasks: seen(bench, acts, made.order.tasks) } } : made;
}

/** The same at once. */
export const orderOf = (bench: Bench): Ordered => atOnce(orderInSteps(bench));

/** The tasks with what each test shows, solved on what is joined when it is its turn. */
function seen(bench: Bench, acts: readonly Act[], tasks: readonly Task[]): Task[] {
  const { assembly: solved } = bench;
  const { assembly: wired } = asWired(bench);
  const sees = new Map(acts.map((a) => [a.id, a.sees]));
  const facts = new Set<Fact>();
  return tasks.map((t) => {
    const says = [t.says, sees.get(t.id)?.(asSolved(solved, wired, assemblyAt(wired, facts))) ?? '']
      .filter((w) => w !== '')
      .join(' ');
    for (const made of t.makes) facts.add(made);
    return { ...t, says };
  });
}
