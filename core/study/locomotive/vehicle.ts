import { withFault, type Fault } from '../../assembly/fault';
import { assembleLocomotive } from '../../assembly/locomotive';
import { lower, type Lowered } from '../../assembly/lower';
import { locomotiveIn } from '../../document/jobs';
import { madeFor } from '../bench';
import type { Assembly } from '../../assembly/assembly';
import type { Layout } from '../../document/layout';
import type { LocomotiveRecord } from '../../document/locomotive-record';
import type { DecoderState } from '../../supply/decoder-output';
import type { Supply } from '../../supply';

/** A locomotive laid out on a track. */
export interface Vehicle {
  readonly layout: Layout;
  readonly jobId: string;
  readonly job: LocomotiveRecord;
  readonly supply: Supply;
  readonly assembly: Assembly;
}

/** What is done to a locomotive at one moment: how it runs as seen from itself, what is pressed, which switches are on. */
export interface VehicleState extends DecoderState {
  /** Share of full throttle; only a DC track heeds it. */
  readonly throttle: number;
  /** Switches of circuits, by circuit; those left out stand as the document has them. */
  readonly switches: Readonly<Record<string, boolean>>;
}

/**
 * Lays a locomotive out.
 * @param onSupply the track it is set on; its own when left out
 * @param faults tried as an argument, in order
 * @throws RangeError when the layout has no such locomotive or supply
 */
export function vehicleOf(
  layout: Layout,
  jobId: string,
  onSupply?: string,
  faults: readonly Fault[] = [],
): Vehicle {
  const job = locomotiveIn(layout, jobId);
  const supplyId = onSupply ?? job.supplyId;
  if (!Object.hasOwn(layout.supplies, supplyId)) throw new RangeError(`there is no supply ${supplyId}`);
  const assembly = faults.reduce(withFault, assembleLocomotive(layout, jobId, supplyId));
  return { layout, jobId, job, supply: layout.supplies[supplyId], assembly };
}

/** The vehicle with faults tried on it. */
export const faulty = (vehicle: Vehicle, faults: readonly Fault[]): Vehicle => ({
  ...vehicle,
  assembly: faults.reduce(withFault, vehicle.assembly),
});

/** The everyday state: forward, F0 on, the throttle its lights are made for. */
export function everyday(vehicle: Pick<Vehicle, 'supply'>, set: Partial<VehicleState> = {}): VehicleState {
  return {
    direction: 'forward',
    functions: [0],
    moving: true,
    presses: 0,
    throttle: madeFor(vehicle.supply).throttle,
    switches: {},
    ...set,
  };
}

/**
 * The circuit of a vehicle with a DC track's throttle open. Rails and direction are the vehicle's own:
 * forward is towards its end A, with the rail at its right positive, however it stands on the track.
 */
export function lowerVehicle(vehicle: Vehicle, direction: 'forward' | 'reverse'): Lowered {
  return lower(vehicle.assembly, vehicle.supply, {
    controls: { throttle: 1, direction },
  });
}

/** Which way a vehicle runs, seen from itself, when a DC track is set to a direction: one that stands turned goes the other way. */
export function ownDirection(
  job: Pick<LocomotiveRecord, 'turned'>,
  track: 'forward' | 'reverse',
): 'forward' | 'reverse' {
  if (!job.turned) return track;
  return track === 'forward' ? 'reverse' : 'forward';
}
