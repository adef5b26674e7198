import { assembleCoach } from '../assembly/coach';
import { withFault, type Fault } from '../assembly/fault';
import { lower, type Lowered } from '../assembly/lower';
import { usualControls, type Controls, type Supply } from '../supply';
import { coachIn } from '../document/jobs';
import type { Assembly } from '../assembly/assembly';
import type { Job, Layout } from '../document/layout';

/** One job laid out on the bench, ready for studies: the assembly as it stands, with any faults tried on it. */
export interface Bench {
  readonly layout: Layout;
  readonly jobId: string;
  readonly job: Job;
  readonly supply: Supply;
  readonly controls: Controls;
  readonly assembly: Assembly;
  readonly lowered: Lowered;
}

/** Controls as a supply's job is made for: the usual throttle, forward. */
export function madeFor(supply: Supply): Controls {
  return supply.kind === 'dc-track' ? { ...usualControls, throttle: supply.usualThrottle } : usualControls;
}

/**
 * Lays a job out.
 * @param faults tried as an argument, in order
 * @param controls those it is made for when left out
 * @throws RangeError when the layout has no such job
 */
export function benchOf(
  layout: Layout,
  jobId: string,
  faults: readonly Fault[] = [],
  controls?: Controls,
): Bench {
  const assembly = faults.reduce(withFault, assembleCoach(layout, jobId));
  const job = coachIn(layout, jobId);
  const supply = layout.supplies[job.supplyId];
  const held = controls ?? madeFor(supply);
  const lowered = lower(assembly, supply, { controls: held });
  return { layout, jobId, job, supply, controls: held, assembly, lowered };
}

/**
 * The same bench where most flows: a DC track at full throttle, any other as it is.
 * @returns the bench itself when nothing differs
 */
export function atMost(bench: Bench): Bench {
  if (bench.supply.kind !== 'dc-track' || bench.controls.throttle === 1) return bench;
  const controls = { ...bench.controls, throttle: 1 };
  return { ...bench, controls, lowered: lower(bench.assembly, bench.supply, { controls }) };
}
