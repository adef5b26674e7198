import { crossingSize } from '../../../core/kinds/crossing/road';
import { aspectIn } from '../../../core/study/aspects';
import { driverKind } from '../../../core/supply/drivers';
import { formatQuantity } from '../../../core/quantity/format';
import { prototypeMetres } from '../../../core/quantity/scale';
import { usePhase } from '../../bench/use-phase';
import { SceneryStage } from '../../drawings/scenery/scenery-scene';
import { CrossingFront } from './crossing-front';
import type { CrossingRecord } from '../../../core/kinds/crossing/record';
import type { PanelProps } from '../face';

/** A crossing to scale, its lamps flashing as they do. */
export function CrossingScene(props: PanelProps<CrossingRecord>) {
  const { layout, solved } = props;
  const { job } = solved.bench;
  const { width, top } = crossingSize(job);
  const { readings, tooFast } = usePhase(props);
  const perMinute = job.driver && driverKind(job.driver).perMinute(job.driver);
  // Parts are reckoned by the usual sum; a run of the circuit says it nearer.
  const about = job.driver?.kind === 'flasher' || job.driver?.kind === 'timer' ? 'about ' : '';
  const rate = perMinute === null ? '' : `${about}${perMinute.toFixed(0)} flashes a minute, each lamp · `;
  return (
    <SceneryStage
      of={props}
      lengthMillimetres={width}
      topMillimetres={top}
      note={
        tooFast
          ? 'It flashes faster than is safe to show: shown standing still.'
          : `${rate}lamps ${formatQuantity(job.road.heightMillimetres, 'millimetre')} above the road = ${prototypeMetres(job.road.heightMillimetres, layout.scale).toFixed(1)} m full size`
      }
    >
      {(shown) => (
        <CrossingFront
          job={job}
          readings={readings}
          shown={shown}
          closed={!aspectIn(job, solved.state).dark}
        />
      )}
    </SceneryStage>
  );
}
