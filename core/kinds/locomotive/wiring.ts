import { showsOf } from '../../document/lamp-roles';
import { lampNames } from './lamp-name';
import type { JobWiring, Sense } from '../../assembly/laying';
import type { LocomotiveRecord, VehicleLampRecord } from './record';

/**
 * Which way a lamp on the rails should conduct. Right rail positive runs forward, towards end A; so
 * what shines ahead at A and what shines behind at B conducts while lead one, from the right rail,
 * is positive.
 */
export function senseOf(lamp: Pick<VehicleLampRecord, 'role' | 'end' | 'shows'>): Sense {
  return (lamp.end === 'A') === (showsOf(lamp) !== 'trailing') ? 1 : -1;
}

export const locomotiveWiring: JobWiring<LocomotiveRecord> = {
  runs: 'apart',
  sense: (job, lampId) => senseOf(job.lamps[lampId]),
  lampNames: (job) => lampNames(job),
};
