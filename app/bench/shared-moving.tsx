import { lazy, type FunctionComponent } from 'react';
import { build, buildPictures } from './shared-build';
import { behaviour, circuit, compare, program, proof, states, timeline } from './shared-pictures';
import { drivenStageOf, movingStages } from './driven-stages';
import { drivenPanels } from './shared-driven';
import { MovingFigures } from './moving-figures';
import type { AnyJob } from '../../core/document/layout';
import type { Driven } from '../../core/document/aspect-record';
import type { Moving } from '../../core/document/moving-record';
import type { BenchStage, Face, PanelProps } from '../kinds/face';

interface MovingFaceOf<J extends AnyJob & Driven & Moving> {
  readonly Brief: FunctionComponent<PanelProps<J>>;
  readonly Lamps: FunctionComponent<PanelProps<J>>;
  readonly Scene: FunctionComponent<PanelProps<J>>;
}

/** The face of a kind whose light moves by a time line. */
export function movingFace<J extends AnyJob & Driven & Moving>(of: MovingFaceOf<J>): Face<J> {
  const panels = {
    ...drivenPanels(of, 'timeline'),
    timeline: {
      Panel: lazy(async () => ({
        default: (await import('../panels/moving/timeline-panel')).TimelinePanel,
      })) as BenchStage<J>['Panel'],
      picture: 'timeline',
    },
    build,
  };
  return {
    stages: movingStages.map((s) => ({ ...s, ...panels[s.id] })),
    opensAt: 'timeline',
    stageOf: drivenStageOf,
    pictures: [timeline, program, circuit, behaviour, states, compare, proof, ...buildPictures],
    Scene: of.Scene,
    Figures: MovingFigures as FunctionComponent<PanelProps<J>>,
    says({ bench }) {
      const scenes = Object.keys(bench.job.timeline.clips).length;
      return `${scenes} ${scenes === 1 ? 'scene' : 'scenes'} over and over`;
    },
  };
}
