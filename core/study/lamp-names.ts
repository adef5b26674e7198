import { wiringOf } from '../kinds/wirings';
import type { Layout } from '../document/layout';

/** What the lamps of a job are called, by lamp. */
export function lampNamesOf(layout: Layout, jobId: string): ReadonlyMap<string, string> {
  const job = layout.jobs[jobId];
  return wiringOf(job.kind).lampNames(job, layout);
}
