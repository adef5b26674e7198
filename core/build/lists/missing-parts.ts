import { boardsOf } from '../../assembly/on-board';
import { thereAlready } from '../../study/already';
import { boardSort, ownedOf, sortOf, takenOf, usesOf } from '../../study/stock';
import { asWired } from '../../study/wired';
import type { Layout } from '../../document/layout';
import type { Bench } from '../../study/bench';

/** Parts of a job that the drawer does not have enough of: they have to be got before what is about them can be done. */
export function missingParts(layout: Layout, bench: Bench): Set<string> {
  const { job } = bench;
  const { assembly } = asWired(bench);
  const times = job.progress.count;
  const boards = new Map(
    boardsOf(assembly).map((b) => [b.id, { sort: boardSort(b), count: times * b.count }]),
  );
  const needed = new Map([
    ...usesOf(assembly.parts, times).map((u) => [u.key, u.count] as const),
    ...[...boards.values()].map((b) => [b.sort.key, b.count] as const),
  ]);
  const there = thereAlready(job, assembly.parts);
  return new Set(
    assembly.parts.flatMap((part) => {
      const sort = part.board === null ? sortOf(part) : (boards.get(part.board)?.sort ?? null);
      return sort &&
        ownedOf(layout, sort.key) + takenOf(layout, job, sort.key) + times * (there.get(sort.key) ?? 0) <
          needed.get(sort.key)!
        ? [part.id]
        : [];
    }),
  );
}
