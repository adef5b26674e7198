import { FAINT_LIGHTNESS } from '../../../core/light/lamp-light';
import { LampRow } from './lamp-row';
import type { LampRecord } from '../../../core/kinds/lamp/record';
import type { LineFace, OnLineProps } from '../face';

/** A row of lamps among other things. */
function LampsOnLine({ job, readings }: OnLineProps<LampRecord>) {
  return <LampRow job={job} readings={readings} shown={(lightness) => Math.min(100, lightness)} />;
}

export const onLine: LineFace<LampRecord> = {
  OnLine: LampsOnLine,
  heights: ({ fitting }) => ({ floor: 0, top: fitting.heightMillimetres + fitting.hoodMillimetres }),
  facts(_, job, readings) {
    const count = Object.keys(job.lamps).length;
    const lit = readings?.dies.filter((d) => d.lightness >= FAINT_LIGHTNESS).length ?? 0;
    return [`${count} ${count === 1 ? 'lamp' : 'lamps'}, ${lit} lit`];
  },
};
