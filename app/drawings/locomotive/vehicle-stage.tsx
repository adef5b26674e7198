import { type KeyboardEvent } from 'react';
import { formatQuantity, quantityParts } from '../../../core/quantity/format';
import { prototypeMetres } from '../../../core/quantity/scale';
import { shownAt } from '../../../core/kinds/locomotive/shown';
import { EndView } from './end-view';
import { lampGlows } from './lamp-glow';
import { SideView } from './side-view';
import { useEffects } from './use-effects';
import { VehicleControlsCard } from './vehicle-controls';
import { vehicleShape } from './vehicle-shape';
import type { SolvedVehicle } from '../../store/use-vehicle';
import type { VehicleControls } from '../../store/vehicle-store';
import type { End } from '../../../core/document/ends';
import './vehicle.css';

interface VehicleStageProps {
  readonly solved: SolvedVehicle;
  readonly controls: VehicleControls;
  readonly onKey: (event: KeyboardEvent) => void;
}

/** The locomotive at night, from its side and at both ends, lit by what was solved. */
export function VehicleStage({ solved, controls, onKey }: VehicleStageProps) {
  const { vehicle, lit, state } = solved;
  const { job, layout, jobId } = vehicle;
  const share = useEffects(job, state);
  const shining = controls.power ? lit : null;
  const glows = lampGlows(shining, share);
  const shape = vehicleShape(job.body);
  const drawn = quantityParts(shining?.supplyAmps.mean ?? 0, 'amp');
  const shown = shownAt(job, shining);
  const high = -shape.roof;
  const side = { above: high * 0.42, below: high * 0.34, around: Math.max(high * 0.9, shape.length * 0.09) };
  return (
    <section
      className="stage vehicle-stage"
      tabIndex={0}
      aria-label={`Stage: ${job.name}, ${controls.power ? `${controls.direction}; end A ${shown.A}; end B ${shown.B}` : 'power off'}. P switches the power, R reverses, question mark lists the keys.`}
      onKeyDown={onKey}
    >
      <dl className="stage-figures">
        <div>
          <dt>drawn now</dt>
          <dd data-figure="drawn">
            {drawn.number} <small>{drawn.symbol}</small>
          </dd>
        </div>
        <div>
          <dt>it runs</dt>
          <dd className="in-words" data-figure="runs">
            {!controls.power ? 'power off' : state.direction === 'forward' ? '← to A' : 'to B →'}
          </dd>
        </div>
      </dl>
      <EndPicture solved={solved} glows={glows} end="A" says={shown.A} />
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
          <g fontFamily="Archivo" fontWeight={600} fontSize={high * 0.17} fill="#ffc46b" textAnchor="middle">
            <text x={high * 0.1} y={shape.roof - high * 0.12}>
              A
            </text>
            <text x={shape.length - high * 0.1} y={shape.roof - high * 0.12}>
              B
            </text>
          </g>
          <text
            x={shape.length / 2}
            y={high * 0.26}
            textAnchor="middle"
            fontSize={(shape.length + 2 * side.around) / 46}
            fill="#c9d2cb"
            fontFamily="IBM Plex Mono"
          >
            {formatQuantity(shape.length, 'millimetre')} ·{' '}
            {prototypeMetres(shape.length, layout.scale).toFixed(1)} m full size
          </text>
        </svg>
      </figure>
      <EndPicture solved={solved} glows={glows} end="B" says={shown.B} />
      <VehicleControlsCard solved={solved} controls={controls} jobId={jobId} />
    </section>
  );
}

interface EndPictureProps {
  readonly solved: SolvedVehicle;
  readonly glows: ReturnType<typeof lampGlows>;
  readonly end: End;
  readonly says: string;
}

function EndPicture({ solved, glows, end, says }: EndPictureProps) {
  const { job } = solved.vehicle;
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
