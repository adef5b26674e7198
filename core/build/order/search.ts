import { atOnce, type Steps } from '../../quantity/steps';
import type { Graph } from './constraints';
import type { Task } from './task';

/** What an order costs the person. */
export interface OrderCost {
  readonly toolChanges: number;
  readonly positionChanges: number;
  /** Hands idle while something dries. */
  readonly waitMinutes: number;
}

/** What each costs in the search, in minutes of trouble (common practice, no source). */
const TOOL_CHANGE = 3;
const POSITION_CHANGE = 2;
/** A little for each place too early of what cannot be undone. */
const EARLY = 0.02;
/** More for what is better late: a body that lies open while there is work beside it. */
const LATE = 0.5;
/** Partial orders kept at each length: so many for a usual job, fewer the longer it is, so that the work is bounded. */
const BEAM = 48;
const USUAL_TASKS = 60;
const beamFor = (tasks: number): number =>
  Math.max(1, Math.min(BEAM, Math.floor(BEAM * (USUAL_TASKS / tasks) ** 2)));

interface Partial {
  readonly done: Uint8Array;
  readonly waiting: Uint16Array;
  readonly order: readonly number[];
  readonly clock: number;
  readonly readyAt: Float64Array;
  readonly cost: number;
}

/** What a given order of tasks costs. Drying runs while other work goes on. */
export function costOf(tasks: readonly Task[], order: readonly number[], before: Graph['before']): OrderCost {
  let clock = 0;
  let wait = 0;
  let tool = 0;
  let position = 0;
  const ready = new Float64Array(tasks.length);
  order.forEach((i, k) => {
    const previous = k > 0 ? tasks[order[k - 1]] : null;
    if (previous && previous.tool !== tasks[i].tool) tool++;
    if (previous && previous.position !== tasks[i].position) position++;
    const starts = Math.max(clock, ...[...before[i]].map((b) => ready[b]));
    wait += starts - clock;
    clock = starts + tasks[i].minutes;
    ready[i] = clock + tasks[i].dryMinutes;
  });
  return { toolChanges: tool, positionChanges: position, waitMinutes: wait };
}

/** The order in which the tasks were written down, as far as their needs allow: what a list without a search gives. */
export function plainOrder({ tasks, before }: Graph): number[] {
  const order: number[] = [];
  const done = new Set<number>();
  while (order.length < tasks.length) {
    const next = tasks.findIndex((_, i) => !done.has(i) && [...before[i]].every((b) => done.has(b)));
    done.add(next);
    order.push(next);
  }
  return order;
}

function* searched(
  { tasks, before }: Graph,
  weigh: { tool: number; position: number; wait: number },
): Steps<number[], number> {
  const n = tasks.length;
  const after: number[][] = tasks.map(() => []);
  before.forEach((set, i) => set.forEach((b) => after[b].push(i)));
  let beam: Partial[] = [
    {
      done: new Uint8Array(n),
      waiting: Uint16Array.from(before, (b) => b.size),
      order: [],
      clock: 0,
      readyAt: new Float64Array(n),
      cost: 0,
    },
  ];
  for (let length = 0; length < n; length++) {
    yield length / n;
    const next = new Map<string, { from: Partial; task: number; starts: number; cost: number }>();
    for (const from of beam) {
      const last = length > 0 ? tasks[from.order[length - 1]] : null;
      for (let i = 0; i < n; i++) {
        if (from.done[i] || from.waiting[i] > 0) continue;
        const task = tasks[i];
        let starts = from.clock;
        for (const b of before[i]) starts = Math.max(starts, from.readyAt[b]);
        const cost =
          from.cost +
          (last && last.tool !== task.tool ? weigh.tool : 0) +
          (last && last.position !== task.position ? weigh.position : 0) +
          weigh.wait * (starts - from.clock) +
          (task.undone === 'cannot' ? EARLY * (n - length) : 0) +
          (task.late ? LATE * (n - length) : 0);
        // Of ways to the same set of tasks with the same thing in hand the cheapest is kept.
        const marks = from.done.slice();
        marks[i] = 1;
        const key = `${marks.join('')} ${task.tool} ${task.position}`;
        const known = next.get(key);
        if (!known || cost < known.cost) next.set(key, { from, task: i, starts, cost });
      }
    }
    beam = [...next.values()]
      .sort((a, b) => a.cost - b.cost)
      .slice(0, beamFor(n))
      .map(({ from, task: i, starts, cost }) => {
        const done = from.done.slice();
        const waiting = from.waiting.slice();
        const readyAt = from.readyAt.slice();
        done[i] = 1;
        for (const a of after[i]) waiting[a]--;
        const clock = starts + tasks[i].minutes;
        readyAt[i] = clock + tasks[i].dryMinutes;
        return { done, waiting, readyAt, order: [...from.order, i], clock, cost };
      });
  }
  return [...beam[0].order];
}

/**
 * An order that keeps every constraint and changes tool, position of the model and pace as little as
 * it can: a beam search over topological orders (Lowerre 1976), never with more changes of tool than
 * the tasks as they were written down.
 * @returns places in the list of tasks, in steps that tell how far it is, 0 to 1
 */
export function* searchedInSteps(graph: Graph): Steps<number[], number> {
  const { tasks, before } = graph;
  const plain = plainOrder(graph);
  const most = costOf(tasks, plain, before).toolChanges;
  for (const weigh of [
    { tool: TOOL_CHANGE, position: POSITION_CHANGE, wait: 1 },
    { tool: 1, position: 0, wait: 0 },
  ]) {
    const order = yield* searched(graph, weigh);
    if (costOf(tasks, order, before).toolChanges <= most) return order;
  }
  return plain;
}

/** The same at once. */
export const searchedOrder = (graph: Graph): number[] => atOnce(searchedInSteps(graph));
