import { litWords } from '../../study/sketch-spots';
import { stands } from '../stands';
import { sceneSketch } from './sketch';
import type { JobKind } from '../job-kind';
import type { SceneRecord } from './record';

export const scene: JobKind<SceneRecord> = {
  ...stands,
  name: 'Scene',
  lengthMillimetres: ({ body }) => body.widthMillimetres,
  words: litWords,
  sketch: sceneSketch,
};
