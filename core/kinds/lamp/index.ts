import { litWords } from '../../study/sketch-spots';
import { stands } from '../stands';
import { rowMillimetres } from './row';
import { lampSketch } from './sketch';
import type { JobKind } from '../job-kind';
import type { LampRecord } from './record';

export const lamp: JobKind<LampRecord> = {
  ...stands,
  name: 'Lamps',
  lengthMillimetres: rowMillimetres,
  words: litWords,
  sketch: lampSketch,
};
