import { inOrder } from './in-order';

/** Anything that holds jobs by id: a layout, or a draft of one. */
export interface Holder<J> {
  readonly jobs: Readonly<Record<string, J>>;
}

/** A job of a layout, or of a draft of one. @throws RangeError when there is none of the id */
export function anyJobIn<J>(layout: Holder<J>, jobId: string): J {
  const job = Object.hasOwn(layout.jobs, jobId) ? layout.jobs[jobId] : undefined;
  if (!job) throw new RangeError(`there is no job ${jobId}`);
  return job;
}

/**
 * The job of a kind in a layout, or in a draft of one, that has this id.
 * @throws RangeError when there is no such job, or it is of another kind
 */
export function jobIn<J extends { readonly kind: string }, K extends J['kind']>(
  layout: Holder<J>,
  jobId: string,
  kind: K,
): Extract<J, { kind: K }> {
  const job = anyJobIn(layout, jobId);
  if (job.kind !== kind) throw new RangeError(`${jobId} is not a ${kind}`);
  return job as Extract<J, { kind: K }>;
}

/** The jobs of a kind in the order the person put them. */
export const jobsOf = <J extends { readonly kind: string; readonly order: number }, K extends J['kind']>(
  layout: Holder<J>,
  kind: K,
): (Extract<J, { kind: K }> & { readonly id: string })[] =>
  inOrder(layout.jobs).filter((j) => j.kind === kind) as unknown as (Extract<J, { kind: K }> & {
    readonly id: string;
  })[];
