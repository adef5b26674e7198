import { FAINT_LIGHTNESS } from '../../../core/light/lamp-light';
import { DisplayOnStand } from './display-on-stand';
import type { DisplayModelRecord } from '../../../core/kinds/display-model/record';
import type { LineFace, OnLineProps } from '../face';

/** A display model among others. */
function DisplayOnLine({ job, readings }: OnLineProps<DisplayModelRecord>) {
  return <DisplayOnStand job={job} readings={readings} shown={(lightness) => Math.min(100, lightness)} />;
}

export const onLine: LineFace<DisplayModelRecord> = {
  OnLine: DisplayOnLine,
  heights: ({ body }) => ({
    floor: body.standMillimetres,
    top: body.standMillimetres + body.heightMillimetres,
  }),
  facts(_, job, readings) {
    const count = Object.keys(job.lamps).length;
    const lit = readings?.dies.filter((d) => d.lightness >= FAINT_LIGHTNESS).length ?? 0;
    return [`${count} ${count === 1 ? 'lamp' : 'lamps'}, ${lit} lit`];
  },
};
