import { inOrder } from '../document/in-order';
import { reusable, type AlreadyThing } from '../document/already-record';
import { sortOf } from './stock';
import type { JobCore } from '../document/job-record';
import type { Part, PartKind } from '../assembly/assembly';

/** Which parts of a job a thing can be that was in the model. */
const partsOf: Readonly<Partial<Record<AlreadyThing, readonly PartKind[]>>> = {
  lamps: ['bulb', 'lamp'],
  decoder: ['decoder'],
  board: ['bridge', 'limiter', 'electrolytic'],
};

/** What is in a model already, in the order it was put down. */
export const alreadyIn = (job: Pick<JobCore, 'already'>) => inOrder(job.already ?? {});

/**
 * Parts of one job that need not be bought, because they are in the model and are used again: how many of
 * each sort, by the key of the sort. Of lamps the bulbs come first; a board is all that stands on it.
 */
export function thereAlready(job: Pick<JobCore, 'already'>, parts: readonly Part[]): Map<string, number> {
  const there = new Map<string, number>();
  for (const { what, count, fate } of alreadyIn(job)) {
    if (fate !== 'reused' || !reusable.includes(what)) continue;
    const own = (partsOf[what] ?? []).flatMap((kind) => parts.filter((p) => p.kind === kind));
    const many = what === 'board' ? own.length : count;
    for (const part of own.slice(0, many)) {
      const sort = sortOf(part);
      if (sort) there.set(sort.key, (there.get(sort.key) ?? 0) + 1);
    }
  }
  return there;
}
