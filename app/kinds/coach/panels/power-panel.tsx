import { supplyKind } from '../../../../core/supply';
import { PowerPanel as AnyPower } from '../../../panels/power-panel';
import { PickupFields } from './pickup-fields';
import type { CoachProps } from '../coach-props';

/** What feeds the coach, and how it collects it. */
export function PowerPanel(props: CoachProps) {
  const { layout, jobId, job } = props;
  return (
    <AnyPower {...props}>
      <PickupFields job={job} jobId={jobId} onTrack={supplyKind(layout.supplies[job.supplyId]).onTrack} />
    </AnyPower>
  );
}
