import { lazy } from 'react';
import { movingFace } from '../../bench/shared-moving';
import { SceneScene } from './scene-scene';
import type { SceneRecord } from '../../../core/kinds/scene/record';

export const face = movingFace<SceneRecord>({
  Brief: lazy(async () => ({ default: (await import('./brief-panel')).BriefPanel })),
  Lamps: lazy(async () => ({ default: (await import('./lamps-panel')).LampsPanel })),
  Scene: SceneScene,
});
