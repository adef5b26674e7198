import { litWords } from '../../study/sketch-spots';
import { stands } from '../stands';
import { canopySketch } from './sketch';
import type { JobKind } from '../job-kind';
import type { CanopyRecord } from './record';

export const canopy: JobKind<CanopyRecord> = {
  ...stands,
  name: 'Canopy',
  lengthMillimetres: ({ roof }) => roof.lengthMillimetres,
  words: litWords,
  sketch: canopySketch,
};
