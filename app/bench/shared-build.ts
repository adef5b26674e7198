import { lazy } from 'react';
import { boardParts } from '../../core/build/board/strip-board';
import type { BenchPicture, BenchStage } from '../kinds/face';
import type { AnyJob } from '../../core/document/layout';

// The stage that any kind of job is built at, and its drawings.

export const build: Pick<BenchStage<AnyJob>, 'Panel' | 'picture'> = {
  Panel: lazy(async () => ({ default: (await import('../panels/build/build-panel')).BuildPanel })),
  picture: 'order',
};

const atBuild: BenchPicture<AnyJob>['when'] = (_, stage) => stage === 'build';

export const buildPictures: readonly BenchPicture<AnyJob>[] = [
  {
    id: 'wiring',
    name: 'Wiring',
    savesItself: true,
    Picture: lazy(async () => ({
      default: (await import('../drawings/build/wiring-picture')).WiringPicture,
    })),
  },
  {
    id: 'order',
    name: 'Order',
    savesItself: true,
    Picture: lazy(async () => ({ default: (await import('../drawings/build/order-picture')).OrderPicture })),
    when: atBuild,
  },
  {
    id: 'lists',
    name: 'Lists',
    savesItself: true,
    Picture: lazy(async () => ({ default: (await import('../drawings/build/lists-picture')).ListsPicture })),
    when: atBuild,
  },
  {
    id: 'board',
    name: 'Strip-board',
    savesItself: true,
    Picture: lazy(async () => ({ default: (await import('../drawings/build/board-picture')).BoardPicture })),
    when: ({ assembly }, stage) => stage === 'build' && boardParts(assembly).length > 1,
  },
  {
    id: 'templates',
    name: 'Templates',
    savesItself: true,
    Picture: lazy(async () => ({
      default: (await import('../drawings/build/templates-picture')).TemplatesPicture,
    })),
    when: atBuild,
  },
];
