import { Button } from 'antd';
import { mcCamyKelvin, screenColour } from '../../../core/light/colour';
import { SEEN_COLOUR, SEEN_LIGHTNESS } from '../../../core/light/difference';
import { windowLightness } from '../../../core/light/wanted';
import { formatQuantity } from '../../../core/quantity/format';
import { matchBeside, type TrainStudy } from '../../../core/study/train';

interface MatchViewProps {
  readonly study: TrainStudy;
  readonly beside: string;
  readonly onBeside: (carId: string) => void;
}

/** Every coach as a bar as bright and in the colour of its windows, with what an eye sees differ from one of them. */
export function MatchView({ study, beside, onBeside }: MatchViewProps) {
  const matches = matchBeside(study, beside);
  return (
    <ul className="match-view">
      {matches.map((m) => {
        const car = study.cars.find((c) => c.carId === m.carId)!;
        const { lux, xy } = car.look!;
        const level = windowLightness(lux);
        const words = [
          ...(m.lightness >= SEEN_LIGHTNESS ? [lux > 0 ? (m.brighter ? 'brighter' : 'dimmer') : 'dark'] : []),
          ...(m.colour >= SEEN_COLOUR ? [m.word] : []),
        ];
        return (
          <li key={car.carId} className={car.carId === beside ? 'beside' : undefined}>
            <Button onClick={() => onBeside(car.carId)}>
              <span className="match-bar">
                <span
                  style={{
                    height: `${Math.max(2, level)}%`,
                    background: xy ? screenColour(xy) : '#2b3834',
                  }}
                />
              </span>
              <b>{car.job.name}</b>
              <small>
                {formatQuantity(lux, 'lux')}
                {xy && (
                  <>
                    {' '}
                    <span className="whole">· {Math.round(mcCamyKelvin(xy.x, xy.y) / 50) * 50} K</span>
                  </>
                )}
              </small>
              <em className={words.length > 0 ? 'differs' : undefined}>
                {car.carId === beside ? 'the one beside' : words.length > 0 ? words.join(', ') : 'alike'}
              </em>
            </Button>
          </li>
        );
      })}
    </ul>
  );
}
