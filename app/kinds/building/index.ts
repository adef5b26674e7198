import { lazy } from 'react';
import { sceneryFace } from '../../bench/shared-scenery';
import { BuildingScene } from './building-scene';
import type { BuildingRecord } from '../../../core/kinds/building/record';

export const face = sceneryFace<BuildingRecord>({
  Brief: lazy(async () => ({ default: (await import('./brief-panel')).BriefPanel })),
  Lamps: lazy(async () => ({ default: (await import('./lamps-panel')).LampsPanel })),
  Scene: BuildingScene,
  style: 'rooms',
  pictures: [
    {
      id: 'rooms',
      name: 'Rooms',
      savesItself: true,
      Picture: lazy(async () => ({ default: (await import('./rooms-picture')).RoomsPicture })),
    },
  ],
});
