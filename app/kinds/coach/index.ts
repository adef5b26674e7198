import { lazy } from 'react';
import { behaviour, circuit, proof, states, throttle } from '../../bench/shared-pictures';
import { build, buildPictures } from '../../bench/shared-build';
import { coachLightOf } from './coach-light';
import { stageOf } from './stage-of';
import { stages } from './stages';
import { CoachFigures, CoachScene } from './stage/coach-scene';
import type { CoachRecord } from '../../../core/kinds/coach/record';
import type { BenchStage, Face } from '../face';

const panels: Readonly<
  Record<(typeof stages)[number]['id'], Pick<BenchStage<CoachRecord>, 'Panel' | 'picture'>>
> = {
  brief: {
    Panel: lazy(async () => ({ default: (await import('./panels/brief-panel')).BriefPanel })),
    picture: 'light',
  },
  power: {
    Panel: lazy(async () => ({ default: (await import('./panels/power-panel')).PowerPanel })),
    picture: 'circuit',
  },
  lamps: {
    Panel: lazy(async () => ({ default: (await import('./panels/lamps-panel')).LampsPanel })),
    picture: 'light',
  },
  circuit: {
    Panel: lazy(async () => ({ default: (await import('./panels/circuit-panel')).CircuitPanel })),
    picture: 'circuit',
  },
  try: {
    Panel: lazy(async () => ({ default: (await import('../../panels/try/try-panel')).TryPanel })),
    picture: 'behaviour',
  },
  fit: {
    Panel: lazy(async () => ({ default: (await import('./panels/fit-panel')).FitPanel })),
    picture: 'fit',
  },
  proof: {
    Panel: lazy(async () => ({ default: (await import('../../panels/proof-panel')).ProofPanel })),
    picture: 'proof',
  },
  build,
};

export const face: Face<CoachRecord> = {
  stages: stages.map((s) => ({ ...s, ...panels[s.id] })),
  opensAt: 'circuit',
  stageOf,
  pictures: [
    {
      id: 'light',
      name: 'Light',
      Picture: lazy(async () => ({ default: (await import('./pictures/light-view')).LightView })),
    },
    circuit,
    behaviour,
    throttle,
    states,
    {
      id: 'fit',
      name: 'Fit',
      Picture: lazy(async () => ({ default: (await import('./pictures/fit-view')).FitView })),
    },
    {
      id: 'compare',
      name: 'Compare',
      savesItself: true,
      Picture: lazy(async () => ({ default: (await import('./pictures/compare-picture')).ComparePicture })),
    },
    proof,
    ...buildPictures,
  ],
  Scene: CoachScene,
  Figures: CoachFigures,
  says(solved) {
    const light = coachLightOf(solved);
    const lit = light?.near.filter((w) => w.lux > 0).length ?? 0;
    return `powered, ${lit === 0 ? 'dark' : `${lit} windows lit at the near side`}`;
  },
};
