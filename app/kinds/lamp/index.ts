import { lazy } from 'react';
import { sceneryFace } from '../../bench/shared-scenery';
import { LampScene } from './lamp-scene';
import type { LampRecord } from '../../../core/kinds/lamp/record';

export const face = sceneryFace<LampRecord>({
  Brief: lazy(async () => ({ default: (await import('./brief-panel')).BriefPanel })),
  Lamps: lazy(async () => ({ default: (await import('./lamps-panel')).LampsPanel })),
  Scene: LampScene,
  style: 'apart',
});
