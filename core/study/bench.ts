import { assembleCoach } from '../assembly/coach';
import { withFault, type Fault } from '../assembly/fault';
import { lower, type Lowered } from '../assembly/lower';
import type { Assembly } from '../assembly/assembly';
import type { Job, Layout } from '../document/layout';
import type { Supply } from '../supply';

/** One job laid out on the bench, ready for studies: the assembly as it stands, with any faults tried on it. */
export interface Bench {
  readonly layout: Layout;
  readonly jobId: string;
  readonly job: Job;
  readonly supply: Supply;
  readonly assembly: Assembly;
  readonly lowered: Lowered;
}

/**
 * Lays a job out.
 * @param faults tried as an argument, in order
 * @throws RangeError when the layout has no such job
 */
export function benchOf(layout: Layout, jobId: string, faults: readonly Fault[] = []): Bench {
  const assembly = faults.reduce(withFault, assembleCoach(layout, jobId));
  const job = layout.jobs[jobId];
  const supply = layout.supplies[job.supplyId];
  return { layout, jobId, job, supply, assembly, lowered: lower(assembly, supply) };
}
