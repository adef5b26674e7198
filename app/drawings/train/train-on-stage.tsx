import { COUPLING_MILLIMETRES, type TrainCar, type TrainStudy } from '../../../core/study/train';
import type { LineFace } from '../../kinds/face';
import type { JobKindName } from '../../../core/kinds/records';
import type { StageView } from '../../store/run-store';

/** How the kinds that are there look from afar. */
export type LineFaces = ReadonlyMap<JobKindName, LineFace>;

interface TrainOnStageProps {
  readonly study: TrainStudy;
  readonly view: StageView;
  readonly faces: LineFaces;
}

/** A whole train to scale in millimetres, its head at the left; a vehicle turned round shows its other side. */
export function TrainOnStage({ study, view, faces }: TrainOnStageProps) {
  const fromFar = view.side === 'far';
  return (
    <g>
      {study.cars.map((car, i) => {
        const face = faces.get(car.job.kind);
        if (!face) return null;
        const { OnLine } = face;
        const length = car.lengthMillimetres;
        const x = fromFar ? study.lengthMillimetres - car.startMillimetres - length : car.startMillimetres;
        return (
          <g key={car.carId} transform={`translate(${x} 0)`} data-car={car.carId}>
            {i > 0 && (
              <rect
                x={fromFar ? length : -COUPLING_MILLIMETRES}
                y={-face.heights(car.job).floor + 0.6}
                width={COUPLING_MILLIMETRES}
                height={1.4}
                fill="#101715"
              />
            )}
            <OnLine job={car.job} readings={car.readings} view={view} turned={car.turned} />
          </g>
        );
      })}
    </g>
  );
}

/** Height of the tallest vehicle above the rail head, in millimetres. */
export const trainHeight = ({ cars }: { readonly cars: readonly TrainCar[] }, faces: LineFaces): number =>
  Math.max(20, ...cars.map(({ job }) => faces.get(job.kind)?.heights(job).top ?? 0));
