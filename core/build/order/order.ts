import { passingOf } from '../../assembly/passing';
import { formatQuantity, inSentence } from '../../quantity/format';
import { collides, constrained, type Collision, type Graph } from './constraints';
import { endsOf } from './ends';
import { makingOf } from './making';
import { costOf, plainOrder, searchedOrder, type OrderCost } from './search';
import { bodyTasks } from './tasks/body';
import { closingTasks } from './tasks/close';
import { lampTasks } from './tasks/lamps';
import { proofTasks } from './tasks/proof';
import { jointTasks } from './tasks/joints';
import { threadedTasks } from './tasks/threading';
import { withWire } from './wire-use';
import type { Bench } from '../../study/bench';
import type { Task } from './task';

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

/** The tasks of a job, not yet in order, each with what it needs and why. */
export function tasksOf(bench: Bench): Task[] {
  const making = makingOf(bench);
  const ends = endsOf(making);
  const body = bodyTasks(making);
  const wiring = threadedTasks(making, ends, jointTasks(making, ends));
  const joined = [
    ...wiring.map((t) => t.id),
    ...making.lots.flatMap((l) => (ends.tasks.has(`leads ${l.id}`) ? [`retest ${l.id}`] : [`test ${l.id}`])),
  ];
  const earlier = [...lampTasks(making, ends), ...body, ...wiring];
  const proof = proofTasks(making, joined);
  // What is blackened is seen in the dark; what dries there is out of the way of the iron.
  const black = body.filter((t) => t.tool === 'brush');
  const tested = proof.map((t) =>
    t.id === 'dark'
      ? {
          ...t,
          needs: [...t.needs, ...black.map((b) => ({ task: b.id, because: 'it is what is looked at' }))],
        }
      : t,
  );
  const all = withWire(bench, [...earlier, ...tested], making.count);
  return [...all, ...closingTasks(making, all)];
}

/** What a job’s leads have to pass and cannot. */
function collisionsOf({ assembly, job }: Bench): Collision[] {
  return passingOf(assembly, job)
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
export function ordered(tasks: readonly Task[]): Ordered {
  const graph = constrained(tasks);
  if (collides(graph)) return { ok: false, collisions: [graph] };
  return { ok: true, order: inOrderOf(graph, searchedOrder(graph)) };
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
 */
export function orderOf(bench: Bench): Ordered {
  const collisions = collisionsOf(bench);
  return collisions.length > 0 ? { ok: false, collisions } : ordered(tasksOf(bench));
}

/** What can go on while some of the parts are not there: the tasks that neither are about them nor wait for such. */
export function possibleWithout(order: BuildOrder, missing: ReadonlySet<string>): Task[] {
  const blocked = new Set<string>();
  return order.tasks.filter((t) => {
    if (t.parts.some((p) => missing.has(p)) || t.needs.some((n) => blocked.has(n.task))) blocked.add(t.id);
    return !blocked.has(t.id);
  });
}
