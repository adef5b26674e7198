import { directionIn, throttleIn } from '../../../core/supply/state';
import { useStudy } from '../../workers/use-study';
import { ThrottleChart } from './throttle-chart';
import type { PictureProps } from '../../kinds/face';

/** Light of a job's lamps over the throttle of its DC track. */
export function ThrottlePicture({ layout, jobId, solved, hand }: PictureProps) {
  const sweep = useStudy('sweep', layout, { jobId, supplyId: hand.supplyId ?? undefined });
  if (!sweep.answer) return <p className="stale-note">{sweep.failure ?? 'Being worked out…'}</p>;
  const { state } = solved;
  const throttle = throttleIn(state) * (directionIn(state) === 'forward' ? 1 : -1);
  return <ThrottleChart layout={layout} jobId={jobId} sweep={sweep.answer} throttle={throttle} />;
}
