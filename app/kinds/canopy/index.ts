import { lazy } from 'react';
import { sceneryFace } from '../../bench/shared-scenery';
import { CanopyScene } from './canopy-scene';
import type { CanopyRecord } from '../../../core/kinds/canopy/record';

export const face = sceneryFace<CanopyRecord>({
  Brief: lazy(async () => ({ default: (await import('./brief-panel')).BriefPanel })),
  Lamps: lazy(async () => ({ default: (await import('./lamps-panel')).LampsPanel })),
  Scene: CanopyScene,
  style: 'string',
});
