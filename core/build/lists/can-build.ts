import { inOrder } from '../../document/in-order';
import { needsOf, type NeedOf } from './needs';
import { boardsOf } from '../../assembly/on-board';
import { boardSort, ownedOf, sortOf, takenOf, usesOf } from '../../study/stock';
import type { Bench } from '../../study/bench';
import type { Layout } from '../../document/layout';

/** Whether a job can be built of what lies in the drawer, and what it lacks. */
export interface Buildable {
  readonly jobId: string;
  readonly name: string;
  readonly lacks: readonly (NeedOf & { readonly owned: number })[];
}

/** What each job lacks of what it needs, each taken alone, those that lack least first. */
export function canBuild(layout: Layout): Buildable[] {
  return inOrder(layout.jobs)
    .map((job) => ({
      jobId: job.id,
      name: job.name,
      lacks: needsOf(layout, [job.id])
        .map((n) => ({ ...n, owned: ownedOf(layout, n.key) + takenOf(layout, job, n.key) }))
        .filter((n) => n.owned < n.count - 1e-9),
    }))
    .sort((a, b) => a.lacks.length - b.lacks.length);
}

/** Parts of a job that the drawer does not have enough of: they have to be got before what is about them can be done. */
export function missingParts(
  layout: Layout,
  { assembly, job }: Pick<Bench, 'assembly' | 'job'>,
): Set<string> {
  const times = job.progress.count;
  const boards = new Map(
    boardsOf(assembly).map((b) => [b.id, { sort: boardSort(b), count: times * b.count }]),
  );
  const needed = new Map([
    ...usesOf(assembly.parts, times).map((u) => [u.key, u.count] as const),
    ...[...boards.values()].map((b) => [b.sort.key, b.count] as const),
  ]);
  return new Set(
    assembly.parts.flatMap((part) => {
      const sort = part.board === null ? sortOf(part) : (boards.get(part.board)?.sort ?? null);
      return sort && ownedOf(layout, sort.key) + takenOf(layout, job, sort.key) < needed.get(sort.key)!
        ? [part.id]
        : [];
    }),
  );
}
