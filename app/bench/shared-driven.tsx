import { lazy, type FunctionComponent } from 'react';
import { FAINT_LIGHTNESS } from '../../core/light/lamp-light';
import { isDriven, type Driven } from '../../core/document/aspect-record';
import { aspectIn } from '../../core/study/aspects';
import { build, buildPictures } from './shared-build';
import { aspects, behaviour, circuit, compare, flasher, program, proof, states } from './shared-pictures';
import { drivenStageOf, drivenStages } from './driven-stages';
import { StageFigures } from './stage-figures';
import type { AnyJob } from '../../core/document/layout';
import type { BenchStage, Face, PanelProps } from '../kinds/face';

type StageId = (typeof drivenStages)[number]['id'];

interface DrivenFaceOf<J extends AnyJob & Driven> {
  readonly Brief: FunctionComponent<PanelProps<J>>;
  readonly Lamps: FunctionComponent<PanelProps<J>>;
  readonly Scene: FunctionComponent<PanelProps<J>>;
}

type StageFace<J extends AnyJob> = Pick<BenchStage<J>, 'Panel' | 'picture'>;

/**
 * The panels of what a driver switches, by stage.
 * @param picture what is looked at while nothing else is asked for
 */
export function drivenPanels<J extends AnyJob & Driven>(
  { Brief, Lamps }: Pick<DrivenFaceOf<J>, 'Brief' | 'Lamps'>,
  picture: string,
): Readonly<Record<StageId, StageFace<J>>> {
  return {
    brief: { Panel: Brief, picture },
    power: {
      Panel: lazy(async () => ({
        default: (await import('../panels/driven/driver-panel')).DriverPanel,
      })) as StageFace<J>['Panel'],
      picture: 'circuit',
    },
    lamps: { Panel: Lamps, picture },
    aspects: {
      Panel: lazy(async () => ({
        default: (await import('../panels/driven/aspects-panel')).AspectsPanel,
      })) as StageFace<J>['Panel'],
      picture: 'aspects',
    },
    circuit: {
      Panel: lazy(async () => ({
        default: (await import('../panels/driven/outputs-panel')).OutputsPanel,
      })) as StageFace<J>['Panel'],
      picture: 'circuit',
    },
    try: {
      Panel: lazy(async () => ({ default: (await import('../panels/try/try-panel')).TryPanel })),
      picture: 'behaviour',
    },
    proof: {
      Panel: lazy(async () => ({ default: (await import('../panels/proof-panel')).ProofPanel })),
      picture: 'proof',
    },
    build,
  };
}

/** The face of a kind that shows aspects: what is shared by all of them, and the little that is its own. */
export function drivenFace<J extends AnyJob & Driven>(of: DrivenFaceOf<J>): Face<J> {
  const panels = drivenPanels(of, 'aspects');
  const { Scene } = of;
  return {
    stages: drivenStages.map((s) => ({ ...s, ...panels[s.id] })),
    opensAt: 'aspects',
    stageOf: drivenStageOf,
    pictures: [aspects, flasher, program, circuit, behaviour, states, compare, proof, ...buildPictures],
    Scene,
    Figures: StageFigures as FunctionComponent<PanelProps<J>>,
    says({ readings, bench, state }) {
      const lit = readings?.dies.filter((d) => d.lightness >= FAINT_LIGHTNESS).length ?? 0;
      const { job } = bench;
      const name = isDriven(job) ? aspectIn(job, state).name : '';
      return `${name}, ${lit === 0 ? 'dark' : `${lit} ${lit === 1 ? 'lamp' : 'lamps'} lit`}`;
    },
  };
}
