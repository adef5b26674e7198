import { formatQuantity } from '../../../core/quantity/format';
import { useFading } from '../../bench/use-fading';
import { DisplayOnStand } from './display-on-stand';
import { DrawnNow } from '../../drawings/drawn-now';
import type { DisplayModelRecord } from '../../../core/kinds/display-model/record';
import type { PanelProps } from '../face';

/** Width over height of the stage's picture. */
const ASPECT = 3.4;

/** The model on its stand at night, lit by what was solved. */
export function DisplayScene(props: PanelProps<DisplayModelRecord>) {
  const { job } = props.solved.bench;
  const { shown } = useFading(props);
  const { lengthMillimetres: length, heightMillimetres, standMillimetres } = job.body;
  const tall = heightMillimetres + standMillimetres;
  const high = Math.max(tall * 1.5, (length * 1.3) / ASPECT);
  const below = high * 0.16;
  const width = high * ASPECT;
  return (
    <svg
      className="scene"
      viewBox={`${length / 2 - width / 2} ${below - high} ${width} ${high}`}
      preserveAspectRatio="xMidYMid meet"
      role="img"
      aria-label={`${job.name} on its stand, ${formatQuantity(length, 'millimetre')} long`}
    >
      <rect x={-10 * width} y={0} width={20 * width} height={high} fill="#0d1413" />
      <rect x={-10 * width} y={0} width={20 * width} height={high * 0.006} fill="#4a4138" />
      <DisplayOnStand job={job} readings={props.solved.readings} shown={shown} />
    </svg>
  );
}

/** What it draws, and how long it holds its light. */
export function DisplayFigures({ solved, hand }: PanelProps<DisplayModelRecord>) {
  const { body } = solved.bench.job;
  return (
    <dl className="stage-figures">
      <DrawnNow solved={solved} hand={hand} />
      <div>
        <dt>length</dt>
        <dd>
          {body.lengthMillimetres} <small>mm</small>
        </dd>
      </div>
    </dl>
  );
}
