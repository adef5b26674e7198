import { FAINT_LIGHTNESS } from '../../../core/light/lamp-light';
import { CanopyOnPosts, roofThickness } from './canopy-on-posts';
import type { CanopyRecord } from '../../../core/kinds/canopy/record';
import type { LineFace, OnLineProps } from '../face';

/** A canopy among other things. */
function CanopyOnLine({ job, readings }: OnLineProps<CanopyRecord>) {
  return <CanopyOnPosts job={job} readings={readings} shown={(lightness) => Math.min(100, lightness)} />;
}

export const onLine: LineFace<CanopyRecord> = {
  OnLine: CanopyOnLine,
  heights: (job) => ({ floor: 0, top: job.roof.heightMillimetres + roofThickness(job) }),
  facts(_, job, readings) {
    const count = Object.keys(job.lamps).length;
    const lit = readings?.dies.filter((d) => d.lightness >= FAINT_LIGHTNESS).length ?? 0;
    return [`${count} ${count === 1 ? 'lamp' : 'lamps'}, ${lit} lit`];
  },
};
