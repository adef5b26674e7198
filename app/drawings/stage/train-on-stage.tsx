import { COUPLING_MILLIMETRES, type TrainStudy } from '../../../core/study/train';
import { CoachOnStage } from './coach-on-stage';
import { coachShape } from './coach-shape';
import type { StageView } from '../../store/run-store';

interface TrainOnStageProps {
  readonly study: TrainStudy;
  readonly view: StageView;
  /** From the lightness solved to that of the moment. */
  readonly shown?: (lightness: number) => number;
}

const asSolved = (lightness: number): number => lightness;

/** A whole train to scale in millimetres, its head at the left; a coach turned round shows its other side. */
export function TrainOnStage({ study, view, shown = asSolved }: TrainOnStageProps) {
  const { cars } = study;
  const fromFar = view.side === 'far';
  return (
    <g>
      {cars.map((car, i) => {
        const { length, floor } = coachShape(car.job.dimensions);
        const x = fromFar ? study.lengthMillimetres - car.startMillimetres - length : car.startMillimetres;
        const side = car.turned === fromFar ? 'near' : 'far';
        return (
          <g key={car.carId} transform={`translate(${x} 0)`} data-car={car.carId}>
            {i > 0 && (
              <rect
                x={fromFar ? length : -COUPLING_MILLIMETRES}
                y={-floor + 0.6}
                width={COUPLING_MILLIMETRES}
                height={1.4}
                fill="#101715"
              />
            )}
            <CoachOnStage
              job={car.job}
              steady={car.steady}
              light={car.light}
              view={{ ...view, side }}
              shown={shown}
              numbers={false}
            />
          </g>
        );
      })}
    </g>
  );
}

/** Height of the tallest coach above the rail head, in millimetres. */
export function trainHeight(study: TrainStudy): number {
  return Math.max(20, ...study.cars.map((c) => coachShape(c.job.dimensions).roof));
}
