import { assemble } from '../assembly/assemble';
import { withFault, type Fault } from '../assembly/fault';
import type { Assembly } from '../assembly/assembly';
import type { AnyJob, Layout } from '../document/layout';
import type { Supply } from '../supply';

/** One job laid out on a supply, ready for studies: the assembly as it stands, with any faults tried on it. */
export interface Bench<J extends AnyJob = AnyJob> {
  readonly layout: Layout;
  readonly jobId: string;
  readonly job: J;
  readonly supplyId: string;
  readonly supply: Supply;
  readonly assembly: Assembly;
}

/** How a job is laid out otherwise than it stands. */
export interface LaidOut {
  /** The supply it is set on; its own when left out. */
  readonly supplyId?: string;
  /** Tried as an argument, in order. */
  readonly faults?: readonly Fault[];
}

/**
 * Lays a job out.
 * @throws RangeError when the layout has no such job or supply
 */
export function benchOf(layout: Layout, jobId: string, { supplyId, faults = [] }: LaidOut = {}): Bench {
  if (!Object.hasOwn(layout.jobs, jobId)) throw new RangeError(`there is no job ${jobId}`);
  const job = layout.jobs[jobId];
  const onSupply = supplyId ?? job.supplyId;
  if (!Object.hasOwn(layout.supplies, onSupply)) throw new RangeError(`there is no supply ${onSupply}`);
  const assembly = faults.reduce(withFault, assemble(layout, jobId, onSupply));
  return { layout, jobId, job, supplyId: onSupply, supply: layout.supplies[onSupply], assembly };
}

/** The bench with faults tried on it. */
export const withFaults = <J extends AnyJob>(bench: Bench<J>, faults: readonly Fault[]): Bench<J> => ({
  ...bench,
  assembly: faults.reduce(withFault, bench.assembly),
});

/** The same job of another layout, on the supply this one is set on. */
export const benchIn = (bench: Bench, layout: Layout): Bench =>
  benchOf(layout, bench.jobId, {
    supplyId: bench.supplyId === bench.job.supplyId ? undefined : bench.supplyId,
  });
