import { litWords } from '../../study/sketch-spots';
import { stands } from '../stands';
import { crossingSize } from './road';
import { crossingSketch } from './sketch';
import type { JobKind } from '../job-kind';
import type { CrossingRecord } from './record';

export const crossing: JobKind<CrossingRecord> = {
  ...stands,
  name: 'Crossing',
  lengthMillimetres: (job) => crossingSize(job).width,
  words: litWords,
  sketch: crossingSketch,
};
