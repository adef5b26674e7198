import { useMemo } from 'react';
import { coachLight } from '../../../core/kinds/coach/light';
import { nearestWord } from '../../../core/light/wanted';
import { CoachOnStage } from './stage/coach-on-stage';
import { coachShape } from './stage/coach-shape';
import type { CoachRecord } from '../../../core/kinds/coach/record';
import type { Readings } from '../../../core/study/readings';
import type { LineFace, OnLineProps } from '../face';

const asSolved = (lightness: number): number => lightness;

/** A coach among others: its windows as bright as solved. */
function CoachOnLine({ job, readings, view, turned }: OnLineProps<CoachRecord>) {
  const light = useMemo(() => readings && coachLight(job, readings), [job, readings]);
  const side = turned === (view.side === 'far') ? 'near' : 'far';
  return (
    <CoachOnStage
      job={job}
      steady={readings}
      light={light}
      view={{ ...view, side }}
      shown={asSolved}
      numberMillimetres={null}
    />
  );
}

/** "12 lamps, cosy". */
function litWords(job: CoachRecord, readings: Readings | null): string {
  const count = Object.values(job.lamps).filter((l) => l.role === 'room').length;
  const unit = readings?.dies[0]?.led?.form === 'strip' ? 'strip unit' : 'lamp';
  const lux = readings ? coachLight(job, readings).litLux : 0;
  return `${count} ${count === 1 ? unit : `${unit}s`}, ${lux > 0 ? nearestWord(lux).name.toLowerCase() : 'dark'}`;
}

export const onLine: LineFace<CoachRecord> = {
  OnLine: CoachOnLine,
  heights(job) {
    const { floor, roof } = coachShape(job.dimensions);
    return { floor, top: roof };
  },
  facts: (_, job, readings) => [litWords(job, readings)],
};
