import { litWords } from '../../study/sketch-spots';
import { stands } from '../stands';
import { displayModelSketch } from './sketch';
import type { JobKind } from '../job-kind';
import type { DisplayModelRecord } from './record';

export const displayModel: JobKind<DisplayModelRecord> = {
  ...stands,
  name: 'Display model',
  lengthMillimetres: (job) => job.body.lengthMillimetres,
  words: litWords,
  sketch: displayModelSketch,
};
