import { lazy } from 'react';
import { drivenFace } from '../../bench/shared-driven';
import { SignalScene } from './signal-scene';
import type { SignalRecord } from '../../../core/kinds/signal/record';

export const face = drivenFace<SignalRecord>({
  Brief: lazy(async () => ({ default: (await import('./brief-panel')).BriefPanel })),
  Lamps: lazy(async () => ({ default: (await import('./lamps-panel')).LampsPanel })),
  Scene: SignalScene,
});
