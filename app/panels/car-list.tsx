import { recordFacts } from '../../core/kinds/records';
import { ArrowDownOutlined, ArrowUpOutlined, SwapOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { Link } from 'react-router';
import { formatQuantity } from '../../core/quantity/format';
import { benchPath } from '../shell/paths';
import type { TrainRecord } from '../../core/document/train-record';
import type { TrainStudy } from '../../core/study/train';
import type { Draft } from 'immer';

interface CarListProps {
  readonly study: TrainStudy;
  readonly beside: string | null;
  readonly onBeside: (carId: string) => void;
  readonly onEdit: (label: string, recipe: (train: Draft<TrainRecord>) => void) => void;
}

/** The coaches of a train from its head, to be moved, turned or uncoupled. */
export function CarList({ study, beside, onBeside, onEdit }: CarListProps) {
  const { cars } = study;
  const swap = (i: number, j: number): void =>
    onEdit('Order of the train', (train) => {
      const [a, b] = [train.cars[cars[i].carId], train.cars[cars[j].carId]];
      [a.order, b.order] = [b.order, a.order];
    });
  if (cars.length === 0) return <p className="hint">No coach is coupled yet.</p>;
  return (
    <ol className="car-list">
      {cars.map((car, i) => (
        <li key={car.carId} className={car.carId === beside ? 'beside' : undefined}>
          <Button
            type="text"
            className="car-name"
            onClick={() => onBeside(car.carId)}
            title="Tell the others beside this one"
          >
            {car.job.name}
          </Button>
          <span className="car-facts">
            {formatQuantity(
              study.draws.find((d) => d.supplyId === car.job.supplyId)?.carAmps[car.id] ?? 0,
              'amp',
            )}{' '}
            · {car.look ? formatQuantity(car.look.lux, 'lux') : recordFacts(car.job.kind).word}
            {car.turned && ' · turned'}
          </span>
          <span className="car-acts">
            <Link to={benchPath(car.id)}>Bench</Link>
            <Button
              size="small"
              icon={<ArrowUpOutlined />}
              aria-label={`${car.job.name} one nearer to the head`}
              disabled={i === 0}
              onClick={() => swap(i, i - 1)}
            />
            <Button
              size="small"
              icon={<ArrowDownOutlined />}
              aria-label={`${car.job.name} one nearer to the end`}
              disabled={i === cars.length - 1}
              onClick={() => swap(i, i + 1)}
            />
            <Button
              size="small"
              icon={<SwapOutlined />}
              aria-label={`Turn ${car.job.name} round`}
              onClick={() =>
                onEdit('Coach turned', (train) => void (train.cars[car.carId].turned = !car.turned))
              }
            />
            <Button
              size="small"
              aria-label={`Uncouple ${car.job.name}`}
              onClick={() =>
                onEdit('Coach uncoupled', (train) => {
                  Reflect.deleteProperty(train.cars, car.carId);
                })
              }
            >
              Uncouple
            </Button>
          </span>
        </li>
      ))}
    </ol>
  );
}
