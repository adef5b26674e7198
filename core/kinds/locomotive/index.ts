import { isTail } from '../../document/lamp-roles';
import { solvedJob } from '../../study/solved-job';
import { locomotiveIn } from './jobs';
import { shownAt } from './shown';
import { locomotiveSketch } from './sketch';
import type { JobKind } from '../job-kind';
import type { LocomotiveRecord } from './record';

export const locomotive: JobKind<LocomotiveRecord> = {
  name: 'Locomotive or railcar',
  heads: true,
  standsTurned: (job) => job.turned,
  lengthMillimetres: (job) => job.body.lengthMillimetres,
  words(layout, jobId) {
    const { A, B } = shownAt(locomotiveIn(layout, jobId), solvedJob(layout, jobId).readings);
    return `A ${A}, B ${B}`;
  },
  look: () => null,
  oldBulbs: () => null,
  tails: (job) =>
    Object.entries(job.lamps).flatMap(([lampId, l]) =>
      isTail(l.role) ? [{ lampId, end: l.end === 'A' ? 'left' : 'right', always: false }] : [],
    ),
  fitTails: null,
  sketch: locomotiveSketch,
};
