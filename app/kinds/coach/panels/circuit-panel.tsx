import { mainLineId } from '../../../../core/document/line-stages';
import { LimitFields } from '../../../panels/circuit/limit-fields';
import { LineStageFields } from '../../../panels/circuit/line-stage-fields';
import { useChosenGroup } from '../../../store/run-store';
import { WantedLight } from './wanted-light';
import type { CoachProps } from '../coach-props';

/** How bright, and with what: wanted light, resistor or limiter, and what the roof's line holds its volts with. */
export function CircuitPanel(props: CoachProps) {
  const { jobId, job } = props;
  const group = useChosenGroup(job, jobId);
  const lineId = mainLineId(job);
  return (
    <div className="choices">
      <WantedLight {...props} />
      {group && <LimitFields {...props} circuitId={group.id} />}
      {lineId !== null && <LineStageFields {...props} lineId={lineId} />}
    </div>
  );
}
