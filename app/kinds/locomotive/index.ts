import { lazy } from 'react';
import { behaviour, circuit, compare, proof, states, throttle } from '../../bench/shared-pictures';
import { build, buildPictures } from '../../bench/shared-build';
import { shownAt } from '../../../core/kinds/locomotive/shown';
import { stageOf } from './stage-of';
import { stages } from './stages';
import { LocomotiveFigures, LocomotiveScene } from './stage/locomotive-scene';
import type { LocomotiveRecord } from '../../../core/kinds/locomotive/record';
import type { BenchStage, Face } from '../face';
import './locomotive.css';

const panels: Readonly<
  Record<(typeof stages)[number]['id'], Pick<BenchStage<LocomotiveRecord>, 'Panel' | 'picture'>>
> = {
  brief: {
    Panel: lazy(async () => ({ default: (await import('./panels/brief-panel')).BriefPanel })),
    picture: 'ends',
  },
  power: {
    Panel: lazy(async () => ({ default: (await import('./panels/power-panel')).PowerPanel })),
    picture: 'leads',
  },
  lamps: {
    Panel: lazy(async () => ({ default: (await import('./panels/lamps-panel')).LampsPanel })),
    picture: 'ends',
  },
  circuit: {
    Panel: lazy(async () => ({ default: (await import('./panels/circuit-panel')).CircuitPanel })),
    picture: 'circuit',
  },
  functions: {
    Panel: lazy(async () => ({ default: (await import('./panels/functions-panel')).FunctionsPanel })),
    picture: 'sheet',
  },
  try: {
    Panel: lazy(async () => ({ default: (await import('../../panels/try/try-panel')).TryPanel })),
    picture: 'throttle',
  },
  fit: {
    Panel: lazy(async () => ({ default: (await import('./panels/fit-panel')).FitPanel })),
    picture: 'ends',
  },
  proof: {
    Panel: lazy(async () => ({ default: (await import('../../panels/proof-panel')).ProofPanel })),
    picture: 'proof',
  },
  build,
};

export const face: Face<LocomotiveRecord> = {
  stages: stages.map((s) => ({ ...s, ...panels[s.id] })),
  opensAt: 'circuit',
  stageOf,
  pictures: [
    {
      id: 'ends',
      name: 'Ends',
      Picture: lazy(async () => ({ default: (await import('./pictures/ends-view')).EndsView })),
    },
    circuit,
    {
      id: 'leads',
      name: 'Leads',
      Picture: lazy(async () => ({ default: (await import('./pictures/plug-view')).PlugView })),
    },
    throttle,
    states,
    behaviour,
    compare,
    {
      id: 'sheet',
      name: 'Sheet',
      savesItself: true,
      Picture: lazy(async () => ({ default: (await import('./pictures/sheet-view')).SheetView })),
    },
    proof,
    ...buildPictures,
  ],
  Scene: LocomotiveScene,
  Figures: LocomotiveFigures,
  says({ bench, state, readings }) {
    const { A, B } = shownAt(bench.job, readings);
    return `${String(state.direction ?? 'forward')}; end A ${A}; end B ${B}`;
  },
};
