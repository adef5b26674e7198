import { useMemo } from 'react';
import { COUPLING_MILLIMETRES, type TrainCar, type TrainStudy } from '../../../core/study/train';
import { coachLight } from '../../../core/kinds/coach/light';
import { lampGlows } from '../locomotive/lamp-glow';
import { SideView } from '../locomotive/side-view';
import { vehicleShape } from '../locomotive/vehicle-shape';
import { CoachOnStage } from './coach-on-stage';
import { coachShape } from './coach-shape';
import type { CoachRecord } from '../../../core/kinds/coach/record';
import type { StageView } from '../../store/run-store';

interface TrainOnStageProps {
  readonly study: TrainStudy;
  readonly view: StageView;
  /** From the lightness solved to that of the moment. */
  readonly shown?: (lightness: number) => number;
}

const asSolved = (lightness: number): number => lightness;

/** A whole train to scale in millimetres, its head at the left; a vehicle turned round shows its other side. */
export function TrainOnStage({ study, view, shown = asSolved }: TrainOnStageProps) {
  const { cars } = study;
  const fromFar = view.side === 'far';
  return (
    <g>
      {cars.map((car, i) => {
        const length = car.lengthMillimetres;
        const x = fromFar ? study.lengthMillimetres - car.startMillimetres - length : car.startMillimetres;
        return (
          <g key={car.carId} transform={`translate(${x} 0)`} data-car={car.carId}>
            {i > 0 && (
              <rect
                x={fromFar ? length : -COUPLING_MILLIMETRES}
                y={-floorOf(car) + 0.6}
                width={COUPLING_MILLIMETRES}
                height={1.4}
                fill="#101715"
              />
            )}
            <CarOnStage car={car} view={view} shown={shown} />
          </g>
        );
      })}
    </g>
  );
}

interface CarOnStageProps {
  readonly car: TrainCar;
  readonly view: StageView;
  readonly shown: (lightness: number) => number;
}

function CarOnStage({ car, view, shown }: CarOnStageProps) {
  const { job, readings, turned } = car;
  if (job.kind === 'coach') return <CoachCar car={car} job={job} view={view} shown={shown} />;
  const mirrored = turned !== (view.side === 'far');
  return (
    <g transform={mirrored ? `translate(${car.lengthMillimetres} 0) scale(-1 1)` : undefined}>
      <SideView job={job} glows={lampGlows(readings, () => 1)} />
    </g>
  );
}

function CoachCar({ car, job, view, shown }: CarOnStageProps & { readonly job: CoachRecord }) {
  const { readings, turned } = car;
  const light = useMemo(() => readings && coachLight(job, readings), [job, readings]);
  const side = turned === (view.side === 'far') ? 'near' : 'far';
  return (
    <CoachOnStage
      job={job}
      steady={readings}
      light={light}
      view={{ ...view, side }}
      shown={shown}
      numbers={false}
    />
  );
}

/** Height of the underside above the rail head, and of the roof, in millimetres. */
const floorOf = ({ job }: TrainCar): number =>
  job.kind === 'coach' ? coachShape(job.dimensions).floor : -vehicleShape(job.body).floor;
const roofOf = ({ job }: TrainCar): number =>
  job.kind === 'coach' ? coachShape(job.dimensions).roof : -vehicleShape(job.body).roof;

/** Height of the tallest vehicle above the rail head, in millimetres. */
export function trainHeight(study: TrainStudy): number {
  return Math.max(20, ...study.cars.map(roofOf));
}
