import type { Layout } from './layout';

/** What is written for the person alone, and how far the building is: nothing is solved or judged by it. */
const REMARKS = new Set(['note', 'price', 'currency', 'kept', 'tasks']);

/** Whether two plain values differ in more than remarks; what is the same object is not looked into. */
function differs(before: unknown, after: unknown): boolean {
  if (before === after) return false;
  if (typeof before !== 'object' || typeof after !== 'object' || before === null || after === null)
    return true;
  if (Array.isArray(before) !== Array.isArray(after)) return true;
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].some(
    (key) =>
      !REMARKS.has(key) &&
      (Object.hasOwn(before, key) !== Object.hasOwn(after, key) ||
        differs((before as Record<string, unknown>)[key], (after as Record<string, unknown>)[key])),
  );
}

/**
 * Whether a change of a layout can change what is solved or judged of a job: the job itself, the
 * supplies, the drawer, the scale; never a note, a price, a train or another job.
 * @param jobId left out: of any job or train
 */
export function concerns(before: Layout, after: Layout, jobId?: string): boolean {
  if (before === after) return false;
  if (jobId === undefined)
    return differs({ ...before, name: '', evening: null }, { ...after, name: '', evening: null });
  const own = ({ jobs, trains, name, boards, network, rigs, evening, ...rest }: Layout): unknown => {
    void [trains, name, boards, network, rigs, evening];
    return { ...rest, job: Object.hasOwn(jobs, jobId) ? jobs[jobId] : null };
  };
  return differs(own(before), own(after));
}
