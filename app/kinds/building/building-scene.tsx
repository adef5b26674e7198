import { useRunStore } from '../../store/run-store';
import { SceneryStage } from '../../drawings/scenery/scenery-scene';
import { BuildingFront, buildingTop } from './building-front';
import type { BuildingRecord } from '../../../core/kinds/building/record';
import type { PanelProps } from '../face';

const HEADROOM = 1.06;

/** A building from its front, to scale, by night or by day. */
export function BuildingScene(props: PanelProps<BuildingRecord>) {
  const { job } = props.solved.bench;
  const by = useRunStore((s) => s.view.by);
  return (
    <SceneryStage
      of={props}
      lengthMillimetres={job.body.lengthMillimetres}
      topMillimetres={HEADROOM * buildingTop(job)}
    >
      {(shown) => <BuildingFront job={job} readings={props.solved.readings} shown={shown} by={by} />}
    </SceneryStage>
  );
}
