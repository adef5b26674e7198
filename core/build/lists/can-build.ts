import { inOrder } from '../../document/in-order';
import { needsOf, type NeedOf } from './needs';
import { ownedOf, takenOf } from '../../study/stock';
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
