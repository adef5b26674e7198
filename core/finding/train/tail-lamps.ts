import { switchOf } from '../../document/line-stages';
import { isFed } from '../../study/drive';
import { usualState } from '../../study/states';
import { kindOf } from '../../kinds';
import { setAt } from '../cures';
import { stageId } from '../../document/line-stages';
import type { CarEnd, TailLamp } from '../../kinds/job-kind';
import type { TrainCar } from '../../study/train';
import type { Layout } from '../../document/layout';
import type { Judgement } from '../finding';
import type { TrainRule } from './train-rule';

/** Which end of a vehicle looks backwards in its train. */
export const rearEnd = (car: Pick<TrainCar, 'turned'>): CarEnd => (car.turned ? 'left' : 'right');

const tailsOf = ({ job }: TrainCar): readonly TailLamp[] => kindOf(job.kind).tails(job);

/** Tail lamps that shine where another vehicle is coupled. */
function wrongIn(layout: Layout, car: TrainCar, isLast: boolean): TailLamp[] {
  const { job } = car;
  const supply = layout.supplies[job.supplyId];
  const state = usualState({ job, supply });
  return tailsOf(car).filter((tail) => {
    const { circuitId } = job.lamps[tail.lampId];
    const rear = tail.end === rearEnd(car);
    if (rear ? isLast : !tail.always) return false;
    return circuitId !== null && isFed(job, circuitId, state);
  });
}

/** A train shows its tail lamps at its end, and nowhere else. */
export const tailLamps: TrainRule = {
  id: 'tail-lamps',
  judge({ layout, study }) {
    const { cars } = study;
    const last = cars.at(-1);
    if (!last) return [];
    const findings: Judgement[] = [];
    if (!tailsOf(last).some((t) => t.end === rearEnd(last))) {
      const fit = kindOf(last.job.kind).fitTails;
      findings.push({
        id: 'tail-lamps none',
        severity: 'note',
        title: 'The train ends without tail lamps',
        sentence: `${last.job.name} is the last of ${cars.length} vehicles and has no tail lamp at its ${rearEnd(last)} end.`,
        reason:
          'Two red lamps at the end say that the train is whole; a switch turns them off when a coach is coupled behind.',
        paths: [['jobs', last.id, 'lamps']],
        terminals: [],
        figures: [{ is: 0, limit: 2, unit: 'pieces' }],
        cures: fit
          ? [
              {
                label: 'Fit two, with a switch',
                recipe: (draft) => {
                  for (const { path, value } of fit(layout, last.id, rearEnd(last)))
                    setAt(draft, path, value);
                },
              },
            ]
          : [],
      });
    }
    for (const car of cars) {
      const wrong = wrongIn(layout, car, car === last);
      if (wrong.length === 0) continue;
      const switched = [...new Set(wrong.map((t) => car.job.lamps[t.lampId].circuitId!))].flatMap(
        (id) => switchOf(car.job, id) ?? [],
      );
      findings.push({
        id: `tail-lamps ${car.carId}`,
        severity: 'mind',
        title: 'Tail lamps shine inside the train',
        sentence: `${wrong.length} tail lamps of ${car.job.name} are on where another vehicle is coupled.`,
        reason: 'Tail lamps belong to the very end; those in between are switched off.',
        paths: [['jobs', car.id, 'lines']],
        terminals: [],
        figures: [{ is: wrong.length, limit: 0, unit: 'pieces' }],
        cures:
          switched.length > 0
            ? [
                {
                  label: 'Switch them off',
                  recipe: (draft) => {
                    for (const { lineId } of switched) {
                      const stage = stageId(car.job.lines[lineId], 'switch');
                      setAt(draft, ['jobs', car.id, 'lines', lineId, 'stages', stage, 'on'], false);
                    }
                  },
                },
              ]
            : [],
      });
    }
    return findings;
  },
};
