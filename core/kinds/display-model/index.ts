import { FAINT_LIGHTNESS } from '../../light/lamp-light';
import { solvedJob } from '../../study/solved-job';
import { displayModelSketch } from './sketch';
import type { JobKind } from '../job-kind';
import type { DisplayModelRecord } from './record';

export const displayModel: JobKind<DisplayModelRecord> = {
  name: 'Display model',
  heads: false,
  standsTurned: () => false,
  lengthMillimetres: (job) => job.body.lengthMillimetres,
  words(layout, jobId) {
    const dies = solvedJob(layout, jobId).readings?.dies ?? [];
    const lit = dies.filter((d) => d.lightness >= FAINT_LIGHTNESS).length;
    return lit === 0 ? 'Dark' : `${lit} lit`;
  },
  look: () => null,
  oldBulbs: () => null,
  tails: () => [],
  fitTails: null,
  sketch: displayModelSketch,
};
