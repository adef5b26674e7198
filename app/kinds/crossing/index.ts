import { lazy } from 'react';
import { drivenFace } from '../../bench/shared-driven';
import { CrossingScene } from './crossing-scene';
import type { CrossingRecord } from '../../../core/kinds/crossing/record';

export const face = drivenFace<CrossingRecord>({
  Brief: lazy(async () => ({ default: (await import('./brief-panel')).BriefPanel })),
  Lamps: lazy(async () => ({ default: (await import('./lamps-panel')).LampsPanel })),
  Scene: CrossingScene,
});
