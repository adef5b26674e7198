import { inOrder } from '../../../core/document/in-order';
import { crossingSize } from '../../../core/kinds/crossing/road';
import { driverKind } from '../../../core/supply/drivers';
import { CrossingFront } from './crossing-front';
import type { CrossingRecord } from '../../../core/kinds/crossing/record';
import type { LineFace, OnLineProps } from '../face';

/** A crossing among other things, in the first half of its flash. */
function CrossingOnLine({ job, readings }: OnLineProps<CrossingRecord>) {
  return (
    <CrossingFront
      job={job}
      readings={readings}
      shown={(lightness) => Math.min(100, lightness)}
      closed={!inOrder(job.aspects)[0].dark}
    />
  );
}

export const onLine: LineFace<CrossingRecord> = {
  OnLine: CrossingOnLine,
  heights: (job) => ({ floor: 0, top: crossingSize(job).top }),
  facts(_, job) {
    const perMinute = job.driver && driverKind(job.driver).perMinute(job.driver);
    return [
      `${Object.keys(job.lamps).length} lamps`,
      ...(perMinute === null ? [] : [`${perMinute.toFixed(0)} flashes a minute`]),
    ];
  },
};
