import { lazy, type FunctionComponent } from 'react';
import { FAINT_LIGHTNESS } from '../../core/light/lamp-light';
import { SceneryFigures } from '../drawings/scenery/scenery-scene';
import { build, buildPictures } from './shared-build';
import {
  behaviour,
  circuit,
  compare,
  ground,
  hookUpWays,
  proof,
  states,
  throttle,
  trimmers,
} from './shared-pictures';
import { sceneryStageOf, sceneryStages } from './scenery-stages';
import type { HookUpStyle } from '../../core/study/hook-up';
import type { AnyJob } from '../../core/document/layout';
import type { Scenery } from '../../core/document/scenery-record';
import type { BenchPicture, BenchStage, Face, PanelProps } from '../kinds/face';

type StageId = (typeof sceneryStages)[number]['id'];
type StageFace<J extends AnyJob> = Pick<BenchStage<J>, 'Panel' | 'picture'>;

interface SceneryFaceOf<J extends AnyJob & Scenery> {
  readonly Brief: FunctionComponent<PanelProps<J>>;
  readonly Lamps: FunctionComponent<PanelProps<J>>;
  readonly Scene: FunctionComponent<PanelProps<J>>;
  readonly style: HookUpStyle;
  /** Drawings of its own, before the shared ones. */
  readonly pictures?: readonly BenchPicture<J>[];
}

/** The face of a kind of scenery: what is shared by all of them, and the little that is its own. */
export function sceneryFace<J extends AnyJob & Scenery>(of: SceneryFaceOf<J>): Face<J> {
  const { Brief, Lamps, Scene, style, pictures = [] } = of;
  const first = pictures[0]?.id ?? 'ground';
  const panels: Readonly<Record<StageId, StageFace<J>>> = {
    brief: { Panel: Brief, picture: first },
    power: {
      Panel: lazy(async () => ({
        default: (await import('../panels/scenery/power-panel')).SceneryPowerPanel,
      })) as StageFace<J>['Panel'],
      picture: 'circuit',
    },
    lamps: { Panel: Lamps, picture: first },
    circuit: {
      Panel: lazy(async () => ({
        default: (await import('../panels/scenery/circuits-panel')).circuitsPanels[style],
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
  return {
    stages: sceneryStages.map((s) => ({ ...s, ...panels[s.id] })),
    opensAt: 'circuit',
    stageOf: sceneryStageOf,
    pictures: [
      ...pictures,
      ground,
      circuit,
      trimmers,
      behaviour,
      throttle,
      states,
      hookUpWays,
      compare,
      proof,
      ...buildPictures,
    ],
    Scene,
    Figures: SceneryFigures as FunctionComponent<PanelProps<J>>,
    says({ readings }) {
      const lit = readings?.dies.filter((d) => d.lightness >= FAINT_LIGHTNESS).length ?? 0;
      return lit === 0 ? 'dark' : `${lit} ${lit === 1 ? 'lamp' : 'lamps'} lit`;
    },
  };
}
