import { prototypeMetres } from '../../../../core/quantity/scale';
import { formatQuantity } from '../../../../core/quantity/format';
import { useFading } from '../../../bench/use-fading';
import { useRunStore } from '../../../store/run-store';
import { coachLightOf } from '../coach-light';
import { coachShape } from './coach-shape';
import { useRoom } from '../../../drawings/use-room';
import { CoachOnStage, roofLift } from './coach-on-stage';
import { ViewSwitches } from '../../../bench/view-switches';
import { DrawnNow } from '../../../drawings/drawn-now';
import type { CoachRecord } from '../../../../core/kinds/coach/record';
import type { PowerCutStudy } from '../../../../core/study/power-cut';
import type { PanelProps } from '../../face';

/** What the coach keeps clear of on the stage, in pixels: figures, controls, lamp numbers, its length. */
const clear = {
  wide: { left: 156, right: 244, above: 56, below: 58 },
  middle: { left: 118, right: 226, above: 56, below: 58 },
  narrow: { left: 20, right: 20, above: 172, below: 96 },
} as const;
const roomName = (width: number): keyof typeof clear =>
  width > 1030 ? 'wide' : width > 830 ? 'middle' : 'narrow';
/** Half the room the length's text takes in its dimension line, in pixels. */
const DIMENSION_TEXT = 104;
const SLEEPER_PITCH = 7;

/** The coach at night, lit by what was solved: as large as there is room, its letters always of one size. */
export function CoachScene(props: PanelProps<CoachRecord>) {
  const { solved, hand, live } = props;
  const { job, layout } = solved.bench;
  const [element, room] = useRoom<SVGSVGElement>({ width: 1200, height: 258 });
  const { shown } = useFading(props);
  const light = coachLightOf(solved);
  const shape = coachShape(job.dimensions);
  const view = useRunStore((s) => s.view);
  const { left, right, above, below } = clear[roomName(room.width)];
  const tall = shape.roof + (view.roof ? 0 : roofLift(shape));
  const free = { width: room.width - left - right, height: room.height - above - below };
  const scale = Math.max(0.05, Math.min(free.width / shape.length, free.height / tall));
  const x = left + (free.width - shape.length * scale) / 2;
  const y = room.height - below;
  const now = hand.playing ? live.now : null;
  const middle = x + (shape.length * scale) / 2;
  const half = (shape.length * scale) / 2;
  const reach = Math.max(0, half - DIMENSION_TEXT);
  return (
    <>
      <svg
        ref={element}
        className="scene"
        viewBox={`0 0 ${room.width} ${room.height}`}
        role="img"
        aria-label={`${job.name} drawn to scale`}
      >
        <g transform={`translate(${x} ${y}) scale(${scale})`}>
          <Track from={-x / scale} to={(room.width - x) / scale} shift={now?.placeMillimetres ?? 0} />
          <CoachOnStage
            job={job}
            steady={solved.readings}
            light={light}
            view={view}
            shown={shown}
            numberMillimetres={1 / scale}
          />
        </g>
        {now && !now.contact && (
          <text x={middle} y={y - tall * scale - 12} textAnchor="middle" fontSize={16} fill="#ffc46b">
            no contact
          </text>
        )}
        <path
          d={`M${middle - half} ${y + 28}v14M${middle + half} ${y + 28}v14M${middle - half} ${y + 35}h${reach}M${middle + half} ${y + 35}h${-reach}`}
          stroke="#b98a3b"
          fill="none"
        />
        <text x={middle} y={y + 40} textAnchor="middle" className="scene-note">
          {formatQuantity(shape.length, 'millimetre')} ·{' '}
          {prototypeMetres(shape.length, layout.scale).toFixed(1)} m full size
        </text>
      </svg>
      <ViewSwitches hasCorridor={job.interior.corridor !== null} corridorSide={job.interior.corridor?.side} />
    </>
  );
}

/** What it draws, when it is dark once the power goes, and its dimmest window. */
export function CoachFigures(props: PanelProps<CoachRecord>) {
  const { solved, hand, live } = props;
  const { seconds, cut, shown } = useFading(props);
  const side = useRunStore((s) => s.view.side);
  const light = coachLightOf(solved);
  const windows = (side === 'far' ? light?.far : light?.near) ?? [];
  const dimmest = Math.min(...windows.filter((w) => !w.leftDark).map((w) => w.lightness));
  const now = hand.playing ? live.now : null;
  return (
    <dl className="stage-figures">
      <DrawnNow solved={solved} hand={hand} liveAmps={now?.supplyAmps} />
      <div className={cut.stale ? 'stale' : undefined}>
        <dt>{hand.power ? 'dark after' : 'without power'}</dt>
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
    { length: Math.ceil((to - from) / SLEEPER_PITCH) + 1 },
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
