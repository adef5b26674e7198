import { litWords } from '../../study/sketch-spots';
import { stands } from '../stands';
import { signalSize } from './head';
import { signalSketch } from './sketch';
import type { JobKind } from '../job-kind';
import type { SignalRecord } from './record';

export const signal: JobKind<SignalRecord> = {
  ...stands,
  name: 'Signal',
  lengthMillimetres: (job) => signalSize(job).width,
  words: litWords,
  sketch: signalSketch,
};
