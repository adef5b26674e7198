import { lazy } from 'react';
import { FAINT_LIGHTNESS } from '../../../core/light/lamp-light';
import { behaviour, circuit, compare, proof, states, throttle } from '../../bench/shared-pictures';
import { build, buildPictures } from '../../bench/shared-build';
import { DisplayFigures, DisplayScene } from './display-scene';
import { stageOf } from './stage-of';
import { stages } from './stages';
import type { DisplayModelRecord } from '../../../core/kinds/display-model/record';
import type { BenchStage, Face } from '../face';

const panels: Readonly<
  Record<(typeof stages)[number]['id'], Pick<BenchStage<DisplayModelRecord>, 'Panel' | 'picture'>>
> = {
  brief: {
    Panel: lazy(async () => ({ default: (await import('./brief-panel')).BriefPanel })),
    picture: 'circuit',
  },
  power: {
    Panel: lazy(async () => ({ default: (await import('../../panels/power-panel')).PowerPanel })),
    picture: 'circuit',
  },
  lamps: {
    Panel: lazy(async () => ({ default: (await import('./lamps-panel')).LampsPanel })),
    picture: 'circuit',
  },
  circuit: {
    Panel: lazy(async () => ({ default: (await import('../../panels/circuit/circuit-panel')).CircuitPanel })),
    picture: 'circuit',
  },
  try: {
    Panel: lazy(async () => ({ default: (await import('../../panels/try/try-panel')).TryPanel })),
    picture: 'behaviour',
  },
  proof: {
    Panel: lazy(async () => ({ default: (await import('../../panels/proof-panel')).ProofPanel })),
    picture: 'proof',
  },
  build,
};

export const face: Face<DisplayModelRecord> = {
  stages: stages.map((s) => ({ ...s, ...panels[s.id] })),
  opensAt: 'circuit',
  stageOf,
  pictures: [circuit, behaviour, throttle, states, compare, proof, ...buildPictures],
  Scene: DisplayScene,
  Figures: DisplayFigures,
  says({ readings }) {
    const lit = readings?.dies.filter((d) => d.lightness >= FAINT_LIGHTNESS).length ?? 0;
    return lit === 0 ? 'dark' : `${lit} ${lit === 1 ? 'lamp' : 'lamps'} lit`;
  },
};
