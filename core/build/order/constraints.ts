import type { Fact } from './fact';
import type { Act, Need, Task } from './task';

/** Two facts that cannot both hold, and what would free them. */
export interface Collision {
  readonly facts: readonly [string, string];
  readonly frees: readonly string[];
}

/** Tasks by what each has to wait for, as numbers into the list. */
export interface Graph {
  readonly tasks: readonly Task[];
  readonly before: readonly ReadonlySet<number>[];
}

/**
 * Who waits for whom, from what each asks for and makes: what must be so waits for what makes it so, what
 * must not be so yet goes before.
 * @throws RangeError when a task asks for what none makes, or two make the same
 */
export function linked(acts: readonly Act[]): Task[] {
  const makers = new Map<Fact, Act>();
  for (const act of acts)
    for (const made of act.makes) {
      const other = makers.get(made);
      if (other) throw new RangeError(`“${act.id}” and “${other.id}” both make “${made}”`);
      makers.set(made, act);
    }
  const needs = new Map<string, Need[]>(acts.map((a) => [a.id, []]));
  const add = (waits: string, need: Need): void => {
    const known = needs.get(waits)!;
    if (waits !== need.task && !known.some((n) => n.task === need.task)) known.push(need);
  };
  for (const { id, asks } of acts)
    for (const { fact, holds, because } of asks) {
      const maker = makers.get(fact);
      if (holds && !maker) throw new RangeError(`“${id}” asks for “${fact}”, which nothing makes`);
      if (!maker) continue;
      if (holds) add(id, { task: maker.id, because });
      else add(maker.id, { task: id, because });
    }
  return acts.map((act) => {
    const { sees, ...plain } = act;
    void sees;
    return { ...plain, needs: needs.get(act.id)! };
  });
}

/**
 * The constraints of tasks as a graph, completed: whatever cannot be undone waits for every test about
 * the same lamps that can be made without it.
 * @returns a collision where tasks wait for one another in a ring
 * @throws RangeError when a task needs one that is not there
 */
export function constrained(tasks: readonly Task[]): Graph | Collision {
  const index = new Map(tasks.map((t, i) => [t.id, i]));
  const before = tasks.map(
    (t) =>
      new Set(
        t.needs.map((n) => {
          const i = index.get(n.task);
          if (i === undefined) throw new RangeError(`“${t.id}” needs “${n.task}”, which is no task`);
          return i;
        }),
      ),
  );
  const ring = ringIn(tasks, before);
  if (ring) return ring;
  const about = (a: Task, b: Task): boolean =>
    a.lamps.length === 0 || b.lamps.length === 0 || a.lamps.some((l) => b.lamps.includes(l));
  tasks.forEach((final, f) => {
    if (final.undone === 'can') return;
    tasks.forEach((test, t) => {
      if (!test.tests || t === f || before[f].has(t) || !about(final, test)) return;
      if (!waitsFor(before, t, f)) before[f].add(t);
    });
  });
  return { tasks, before };
}

/** Whether a task waits for another, near or far. */
export function waitsFor(before: readonly ReadonlySet<number>[], task: number, other: number): boolean {
  const seen = new Set<number>();
  const stack = [...before[task]];
  for (let at = stack.pop(); at !== undefined; at = stack.pop()) {
    if (at === other) return true;
    if (seen.has(at)) continue;
    seen.add(at);
    stack.push(...before[at]);
  }
  return false;
}

/** The shortest ring of tasks that wait for one another, told by two of its reasons; null without one. */
function ringIn(tasks: readonly Task[], before: readonly ReadonlySet<number>[]): Collision | null {
  let best: number[] | null = null;
  tasks.forEach((_, start) => {
    const way = new Map<number, number>();
    const queue = [...before[start]];
    for (const q of queue) way.set(q, start);
    for (const at of queue) {
      if (at === start) break;
      for (const next of before[at])
        if (!way.has(next) || next === start) {
          if (!way.has(next)) way.set(next, at);
          if (next === start) {
            const ring = [start];
            for (let k = at; k !== start; k = way.get(k)!) ring.push(k);
            if (!best || ring.length < best.length) best = ring.reverse();
          } else queue.push(next);
        }
    }
    if (before[start].has(start)) best = [start];
  });
  if (!best) return null;
  const ring: number[] = best;
  const reasons = ring.flatMap((i) => tasks[i].needs.filter((n) => ring.some((k) => tasks[k].id === n.task)));
  const says = (n: Need): string => `${n.because} (“${tasks.find((t) => t.id === n.task)!.does}” first)`;
  return {
    facts: [says(reasons[0]), says(reasons[reasons.length - 1])],
    frees: reasons.slice(0, 2).map((n) => `Let “${tasks.find((t) => t.id === n.task)!.does}” wait.`),
  };
}

export const collides = (of: Graph | Collision): of is Collision => 'facts' in of;
