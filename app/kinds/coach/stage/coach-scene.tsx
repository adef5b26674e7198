import { prototypeMetres } from '../../../../core/quantity/scale';
import { quantityParts, formatQuantity } from '../../../../core/quantity/format';
import { useFading } from '../../../bench/use-fading';
import { useRunStore } from '../../../store/run-store';
import { coachLightOf } from '../coach-light';
import { coachShape } from './coach-shape';
import { CoachOnStage, roofLift } from './coach-on-stage';
import { ViewSwitches } from '../../../bench/view-switches';
import type { CoachRecord } from '../../../../core/kinds/coach/record';
import type { PowerCutStudy } from '../../../../core/study/power-cut';
import type { PanelProps } from '../../face';

/** Room around the coach on the stage, in millimetres on the model. */
const ABOVE = 22;
const BELOW = 17;
/** Half the room the length's text takes in its dimension line. */
const DIMENSION_TEXT = 40;
const SLEEPER_PITCH = 7;

/** The coach at night, lit by what was solved. */
export function CoachScene(props: PanelProps<CoachRecord>) {
  const { solved, hand, live } = props;
  const { job, layout } = solved.bench;
  const { shown } = useFading(props);
  const light = coachLightOf(solved);
  const shape = coachShape(job.dimensions);
  const view = useRunStore((s) => s.view);
  const above = ABOVE + (view.roof ? 0 : roofLift(shape));
  const height = shape.roof + above + BELOW;
  const side = Math.max(shape.length * 0.37, (height * 3.4 - shape.length) / 2);
  const now = hand.playing ? live.now : null;
  return (
    <>
      <svg
        className="scene"
        viewBox={`${-side} ${-(shape.roof + above)} ${shape.length + 2 * side} ${height}`}
        preserveAspectRatio="xMidYMid meet"
        role="img"
        aria-label={`${job.name} drawn to scale`}
      >
        <Track from={-10 * side} to={shape.length + 10 * side} shift={now?.placeMillimetres ?? 0} />
        <CoachOnStage job={job} steady={solved.readings} light={light} view={view} shown={shown} numbers />
        {now && !now.contact && (
          <text x={shape.length / 2} y={-shape.roof - 14} textAnchor="middle" fontSize={6} fill="#ffc46b">
            no contact
          </text>
        )}
        <g stroke="#b98a3b" strokeWidth={0.4} fill="none">
          <path
            d={`M0 9.500v5M${shape.length} 9.500v5M0 12h${Math.max(0, shape.length / 2 - DIMENSION_TEXT)}M${Math.min(shape.length, shape.length / 2 + DIMENSION_TEXT)} 12H${shape.length}`}
          />
        </g>
        <text
          x={shape.length / 2}
          y={13.4}
          textAnchor="middle"
          fontSize={4}
          fill="#c9d2cb"
          fontFamily="IBM Plex Mono"
        >
          {formatQuantity(shape.length, 'millimetre')} ·{' '}
          {prototypeMetres(shape.length, layout.scale).toFixed(1)} m full size
        </text>
      </svg>
      <ViewSwitches hasCorridor={job.interior.corridor !== null} corridorSide={job.interior.corridor?.side} />
    </>
  );
}

/** What it draws, how long it holds its light, and its dimmest window. */
export function CoachFigures(props: PanelProps<CoachRecord>) {
  const { solved, hand, live } = props;
  const { seconds, cut, shown } = useFading(props);
  const side = useRunStore((s) => s.view.side);
  const light = coachLightOf(solved);
  const windows = (side === 'far' ? light?.far : light?.near) ?? [];
  const dimmest = Math.min(...windows.filter((w) => !w.leftDark).map((w) => w.lightness));
  const now = hand.playing ? live.now : null;
  const amps = now ? now.supplyAmps : hand.power ? (solved.readings?.supplyAmps.mean ?? 0) : 0;
  const drawn = quantityParts(amps, 'amp');
  return (
    <dl className="stage-figures">
      <div>
        <dt>drawn now</dt>
        <dd data-figure="drawn">
          {drawn.number} <small>{drawn.symbol}</small>
        </dd>
      </div>
      <div className={cut.stale ? 'stale' : undefined}>
        <dt>{hand.power ? 'holds its light' : 'without power'}</dt>
        <dd data-figure="hold" title={cut.stale ? 'being worked out' : undefined}>
          {hand.power ? holdText(cut.answer) : seconds.toFixed(2)} <small>s</small>
        </dd>
      </div>
      <div>
        <dt>dimmest window</dt>
        <dd data-figure="dimmest">
          {Number.isFinite(dimmest) ? shown(dimmest).toFixed(0) : '–'} <small>of 100</small>
        </dd>
      </div>
    </dl>
  );
}

function holdText(cut: PowerCutStudy | null): string {
  if (!cut) return '–';
  const dark = cut.moments[2] ?? null;
  return dark === null ? '>120' : dark === 0 ? '0' : dark.toPrecision(dark < 10 ? 2 : 3);
}

interface TrackProps {
  readonly from: number;
  readonly to: number;
  /** How far the coach has run, in millimetres: the sleepers pass under it. */
  readonly shift: number;
}

function Track({ from, to, shift }: TrackProps) {
  const sleepers = Array.from(
    { length: Math.floor((to - from) / SLEEPER_PITCH) },
    (_, i) => from + i * SLEEPER_PITCH,
  );
  return (
    <g>
      <rect x={from} y={0} width={to - from} height={40} fill="#0d1413" />
      <g transform={`translate(${shift % SLEEPER_PITCH} 0)`}>
        {sleepers.map((x) => (
          <rect key={x} x={x} y={2.1} width={3.4} height={1.6} fill="#2b2520" />
        ))}
      </g>
      <rect x={from} y={0} width={to - from} height={1} fill="#6f7d84" />
      <rect x={from} y={1} width={to - from} height={1.1} fill="#39454a" />
    </g>
  );
}
