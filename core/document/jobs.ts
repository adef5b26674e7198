import { inOrder } from './in-order';
import type { CoachRecord } from './coach-record';
import type { LocomotiveRecord } from './locomotive-record';

/** Anything that holds jobs by id: a layout, or a draft of one. */
interface Holder<J> {
  readonly jobs: Readonly<Record<string, J>>;
}

/**
 * The coach of a layout, or of a draft of one, that has this id.
 * @throws RangeError when there is no such job, or it is something else than a coach
 */
export function coachIn<J extends { readonly kind: string }>(
  layout: Holder<J>,
  jobId: string,
): Extract<J, { kind: CoachRecord['kind'] }> {
  return jobOf(layout, jobId, 'coach') as Extract<J, { kind: CoachRecord['kind'] }>;
}

/**
 * The locomotive or railcar of a layout, or of a draft of one, that has this id.
 * @throws RangeError when there is no such job, or it is something else than a locomotive
 */
export function locomotiveIn<J extends { readonly kind: string }>(
  layout: Holder<J>,
  jobId: string,
): Extract<J, { kind: LocomotiveRecord['kind'] }> {
  return jobOf(layout, jobId, 'locomotive') as Extract<J, { kind: LocomotiveRecord['kind'] }>;
}

function jobOf<J extends { readonly kind: string }>(layout: Holder<J>, jobId: string, kind: string): J {
  const job = Object.hasOwn(layout.jobs, jobId) ? layout.jobs[jobId] : undefined;
  if (!job) throw new RangeError(`there is no job ${jobId}`);
  if (job.kind !== kind) throw new RangeError(`${jobId} is not a ${kind}`);
  return job;
}

/** The coaches of a layout in the order the person put them. */
export const coachesOf = <J extends AnyKind>(
  layout: Holder<J>,
): (Extract<J, { kind: 'coach' }> & { id: string })[] =>
  inOrder(layout.jobs).filter((j) => j.kind === 'coach') as unknown as (Extract<J, { kind: 'coach' }> & {
    id: string;
  })[];

/** The locomotives and railcars of a layout in the order the person put them. */
export const locomotivesOf = <J extends AnyKind>(
  layout: Holder<J>,
): (Extract<J, { kind: 'locomotive' }> & { id: string })[] =>
  inOrder(layout.jobs).filter((j) => j.kind === 'locomotive') as unknown as (Extract<
    J,
    { kind: 'locomotive' }
  > & { id: string })[];

interface AnyKind {
  readonly kind: string;
  readonly order: number;
}
