import { shownAt } from '../../../core/kinds/locomotive/shown';
import { lampGlows } from './stage/lamp-glow';
import { SideView } from './stage/side-view';
import { vehicleShape } from './stage/vehicle-shape';
import type { LocomotiveRecord } from '../../../core/kinds/locomotive/record';
import type { LineFace, OnLineProps } from '../face';

/** A locomotive among others, from its side. */
function LocomotiveOnLine({ job, readings, view, turned }: OnLineProps<LocomotiveRecord>) {
  const mirrored = turned !== (view.side === 'far');
  return (
    <g transform={mirrored ? `translate(${job.body.lengthMillimetres} 0) scale(-1 1)` : undefined}>
      <SideView job={job} glows={lampGlows(readings, () => 1)} />
    </g>
  );
}

export const onLine: LineFace<LocomotiveRecord> = {
  OnLine: LocomotiveOnLine,
  heights(job) {
    const { floor, roof } = vehicleShape(job.body);
    return { floor: -floor, top: -roof };
  },
  facts(_, job, readings) {
    const { A, B } = shownAt(job, readings);
    return [...(job.decoder ? ['decoder'] : []), `A ${A}, B ${B}`];
  },
};
