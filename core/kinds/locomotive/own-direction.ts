import type { Direction } from '../../supply/state';
import type { LocomotiveRecord } from './record';

/**
 * Which way a locomotive runs, seen from itself, when a DC track is set to a direction: one that stands
 * turned goes the other way. Its own forward is towards end A, the rail at its right positive.
 */
export function ownDirection(job: Pick<LocomotiveRecord, 'turned'>, track: Direction): Direction {
  if (!job.turned) return track;
  return track === 'forward' ? 'reverse' : 'forward';
}
