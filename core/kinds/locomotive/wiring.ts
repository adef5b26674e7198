import { lampRoles, showsOf } from '../../document/lamp-roles';
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
  placeOf: (job, lampId) => {
    const { role, end } = job.lamps[lampId];
    return lampRoles[role].inside ? 'inside' : end;
  },
  spotOf(job, lampId) {
    const { role, end, alongMillimetres, acrossMillimetres, heightMillimetres } = job.lamps[lampId];
    const face = end === 'A' ? 0 : job.body.lengthMillimetres;
    return {
      along: lampRoles[role].inside ? alongMillimetres : face,
      across: acrossMillimetres,
      height: heightMillimetres,
    };
  },
  // Decoder, or the joint of the leads, in the middle of the body.
  hubOf: ({ body }) => ({
    along: body.lengthMillimetres / 2,
    across: 0,
    height: body.wheelMillimetres + body.heightMillimetres / 2,
  }),
};
