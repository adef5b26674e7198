import { showsOf } from '../../document/lamp-roles';
import { outputsOn } from '../../supply/decoder-output';
import type { LocomotiveRecord } from '../../document/locomotive-record';
import type { VehicleState } from './vehicle';

/** Whether the switch of a circuit lets anything through in a state. */
export function switchedOn(job: LocomotiveRecord, circuitId: string, state: VehicleState): boolean {
  const own = job.circuits[circuitId].switch;
  return own === null || (state.switches[circuitId] ?? own.on);
}

/**
 * Whether one colour of a lamp is meant to shine in a state. On the rails its role and end say so; on
 * a decoder the table does. The other colour of a two-colour lamp is meant for the other way.
 */
export function shouldShine(
  job: LocomotiveRecord,
  lampId: string,
  second: boolean,
  state: VehicleState,
): boolean {
  const lamp = job.lamps[lampId];
  if (lamp.circuitId === null) return false;
  if (!switchedOn(job, lamp.circuitId, state)) return false;
  const { feed } = job.circuits[lamp.circuitId];
  if (feed.kind === 'output' && job.decoder) return !second && outputsOn(job.decoder, state).has(feed.output);
  const shows = showsOf(lamp);
  if (shows === 'both') return true;
  const leading = (lamp.end === 'A') === (state.direction === 'forward');
  return (shows === 'leading') === (leading !== second);
}
