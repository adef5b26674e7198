import { benchOf } from '../study/bench';
import { keptOf } from './progress';
import { orderOf } from './order/order';
import type { Layout } from '../document/layout';

/** How far the building of a job is. */
export type HowFar = 'planned' | 'in hand' | 'done';

/** For each job of a layout: nothing of its order of work ticked, some of it, or all of it. */
export function howFar(layout: Layout): Record<string, HowFar> {
  return Object.fromEntries(
    Object.entries(layout.jobs).map(([jobId, job]) => {
      if (!Object.values(job.progress.tasks).some((t) => t.done)) return [jobId, 'planned'];
      const made = orderOf(benchOf(layout, jobId));
      return [
        jobId,
        made.ok && made.order.tasks.every((t) => keptOf(job.progress, t).done) ? 'done' : 'in hand',
      ];
    }),
  );
}
