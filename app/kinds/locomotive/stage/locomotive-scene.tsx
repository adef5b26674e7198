import { shareOfLightness } from '../../../../core/light/lightness';
import { formatQuantity } from '../../../../core/quantity/format';
import { prototypeMetres } from '../../../../core/quantity/scale';
import { directionIn } from '../../../../core/supply/state';
import { shownAt } from '../../../../core/kinds/locomotive/shown';
import { useEffects } from '../../../bench/use-effects';
import { useFading } from '../../../bench/use-fading';
import { EndView } from './end-view';
import { lampGlows, type LampGlow } from './lamp-glow';
import { SideView } from './side-view';
import { vehicleShape } from './vehicle-shape';
import { DrawnNow } from '../../../drawings/drawn-now';
import type { End } from '../../../../core/document/ends';
import type { LocomotiveRecord } from '../../../../core/kinds/locomotive/record';
import type { PanelProps } from '../../face';
import './locomotive-scene.css';

/** The locomotive at night, from its side and at both ends, lit by what was solved. */
export function LocomotiveScene(props: PanelProps<LocomotiveRecord>) {
  const { solved, hand } = props;
  const { bench, readings, state } = solved;
  const { job, layout } = bench;
  const effect = useEffects(job, state);
  const fading = useFading(props);
  const now = shareOfLightness(fading.shown(100));
  const glows = lampGlows(readings, (lampId) => effect(lampId) * now);
  const shape = vehicleShape(job.body);
  const shown = shownAt(job, hand.power ? readings : null);
  const high = -shape.roof;
  const side = { above: high * 0.42, below: high * 0.34, around: Math.max(high * 0.9, shape.length * 0.09) };
  return (
    <div className="locomotive-scene">
      <EndPicture job={job} glows={glows} end="A" says={shown.A} />
      <figure className="side-picture">
        <svg
          viewBox={`${-side.around} ${shape.roof - side.above} ${shape.length + 2 * side.around} ${high + side.above + side.below}`}
          preserveAspectRatio="xMidYMax meet"
          role="img"
          aria-label={`${job.name} from its side, end A at the left`}
        >
          <rect x={-1000} y={0} width={4000} height={200} fill="#0d1413" />
          <rect x={-1000} y={0} width={4000} height={0.9} fill="#6f7d84" />
          <rect x={-1000} y={0.9} width={4000} height={1} fill="#39454a" />
          <SideView job={job} glows={glows} />
        </svg>
        <figcaption>
          <b>A</b> {formatQuantity(shape.length, 'millimetre')} ·{' '}
          {prototypeMetres(shape.length, layout.scale).toFixed(1)} m full size <b>B</b>
        </figcaption>
      </figure>
      <EndPicture job={job} glows={glows} end="B" says={shown.B} />
    </div>
  );
}

/** What it draws, and which way it runs. */
export function LocomotiveFigures({ solved, hand }: PanelProps<LocomotiveRecord>) {
  const runs = directionIn(solved.state) === 'forward' ? '← to A' : 'to B →';
  return (
    <dl className="stage-figures">
      <DrawnNow solved={solved} hand={hand} />
      <div>
        <dt>it runs</dt>
        <dd className="in-words" data-figure="runs">
          {hand.power ? runs : 'power off'}
        </dd>
      </div>
    </dl>
  );
}

interface EndPictureProps {
  readonly job: LocomotiveRecord;
  readonly glows: ReadonlyMap<string, LampGlow>;
  readonly end: End;
  readonly says: string;
}

function EndPicture({ job, glows, end, says }: EndPictureProps) {
  const { roof } = vehicleShape(job.body);
  const w = job.body.widthMillimetres;
  return (
    <figure className="end-picture">
      <figcaption>
        <b>End {end}</b> <span data-figure={`end-${end}`}>{says}</span>
      </figcaption>
      <svg
        viewBox={`${-w * 0.6} ${roof * 1.1} ${w * 1.2} ${-roof * 1.45}`}
        preserveAspectRatio="xMidYMax meet"
        role="img"
        aria-label={`End ${end}: ${says}`}
      >
        <rect x={-w} y={0} width={2 * w} height={1} fill="#6f7d84" />
        <EndView job={job} end={end} glows={glows} />
      </svg>
    </figure>
  );
}
