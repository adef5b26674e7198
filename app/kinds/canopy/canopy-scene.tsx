import { SceneryStage } from '../../drawings/scenery/scenery-scene';
import { CanopyOnPosts, roofThickness } from './canopy-on-posts';
import type { CanopyRecord } from '../../../core/kinds/canopy/record';
import type { PanelProps } from '../face';

/** Room above the roof, in heights of the lamps. */
const HEADROOM = 1.15;

/** A canopy to scale, by night or by day, with the light on the platform. */
export function CanopyScene(props: PanelProps<CanopyRecord>) {
  const { job } = props.solved.bench;
  return (
    <SceneryStage
      of={props}
      lengthMillimetres={job.roof.lengthMillimetres}
      topMillimetres={HEADROOM * (job.roof.heightMillimetres + roofThickness(job))}
    >
      {(shown) => <CanopyOnPosts job={job} readings={props.solved.readings} shown={shown} />}
    </SceneryStage>
  );
}
