import { benchOf } from '../study/bench';
import { orderOf } from './order/order';
import type { Layout } from '../document/layout';

/** How far the building of a job is. */
export type HowFar = 'planned' | 'in hand' | 'done';

/** For each job of a layout: nothing of its order of work ticked, some of it, or all of it. */
export function howFar(layout: Layout): Record<string, HowFar> {
  return Object.fromEntries(
    Object.entries(layout.jobs).map(([jobId, job]) => {
      const ticked = new Set(Object.keys(job.progress.tasks).filter((id) => job.progress.tasks[id].done));
      if (ticked.size === 0) return [jobId, 'planned'];
      const made = orderOf(benchOf(layout, jobId));
      return [jobId, made.ok && made.order.tasks.every((t) => ticked.has(t.id)) ? 'done' : 'in hand'];
    }),
  );
}
