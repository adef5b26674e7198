import { change } from '../../document/patch';
import { addTailLamps } from '../../study/hang-lamps';
import { coachIn } from '../../document/jobs';
import type { Finding } from '../finding';
import type { TrainCar } from '../../study/train';
import type { TrainRule } from './train-rule';

/** Which end of a coach looks backwards in its train. */
export const rearEnd = (car: Pick<TrainCar, 'turned'>): 'left' | 'right' => (car.turned ? 'left' : 'right');

const tailsAt = ({ job }: TrainCar, end: 'left' | 'right') =>
  Object.values(job.lamps).filter(
    (l) =>
      l.role === 'tail' && (end === 'left') === l.placeMillimetres < job.dimensions.lengthMillimetres / 2,
  );

/** A train shows its tail lamps at its end, and nowhere else. */
export const tailLamps: TrainRule = {
  id: 'tail-lamps',
  judge({ layout, study }) {
    const { cars } = study;
    if (cars.length === 0) return [];
    const last = cars[cars.length - 1];
    const findings: Finding[] = [];
    if (tailsAt(last, rearEnd(last)).length === 0) {
      findings.push({
        id: 'tail-lamps none',
        rule: 'tail-lamps',
        severity: 'note' as const,
        title: 'The train ends without tail lamps',
        sentence: `${last.job.name} is the last of ${cars.length} coaches and has no tail lamp at its ${rearEnd(last)} end.`,
        reason:
          'Two red lamps at the end say that the train is whole; a switch turns them off when a coach is coupled behind.',
        paths: [['jobs', last.id, 'lamps']],
        terminals: [],
        figures: { cars: cars.length },
        remedies: [
          { label: 'Fit two, with a switch', patches: addTailLamps(layout, last.id, rearEnd(last)).patches },
        ],
      });
    }
    for (const car of cars) {
      const wrong = (['left', 'right'] as const)
        .filter((end) => !(car === last && end === rearEnd(car)))
        .flatMap((end) => tailsAt(car, end))
        .filter((l) => l.groupId !== null && car.job.groups[l.groupId].switch?.on !== false);
      if (wrong.length === 0) continue;
      const groups = [...new Set(wrong.map((l) => l.groupId!))].filter((g) => car.job.groups[g].switch);
      findings.push({
        id: `tail-lamps ${car.carId}`,
        rule: 'tail-lamps',
        severity: 'mind' as const,
        title: 'Tail lamps shine inside the train',
        sentence: `${wrong.length} tail lamps of ${car.job.name} are on where another coach is coupled.`,
        reason: 'Tail lamps belong to the very end; those in between are switched off.',
        paths: [['jobs', car.id, 'groups']],
        terminals: [],
        figures: { lamps: wrong.length },
        remedies:
          groups.length > 0
            ? [
                {
                  label: 'Switch them off',
                  patches: change(layout, (draft) => {
                    for (const g of groups) coachIn(draft, car.id).groups[g].switch!.on = false;
                  }).patches,
                },
              ]
            : [],
      });
    }
    return findings;
  },
};
