import { useState, type CSSProperties } from 'react';
import { Link } from 'react-router';
import { inOrder } from '../../../core/document/in-order';
import { standsOf, type Spot } from '../../../core/feed/stands';
import { glowOf } from '../../../core/study/glow';
import { isLitAt } from '../../../core/study/evening';
import { useJudged } from '../../bench/use-judged';
import { useRoom } from '../../drawings/use-room';
import { benchPath, trainPath } from '../../shell/paths';
import { useStudy } from '../../workers/use-study';
import { planView } from '../feeds/plan-geometry';
import type { Layout } from '../../../core/document/layout';
import type { HowFar } from '../../../core/build/how-far';
import type { SolvedJobs } from '../../store/use-solved-jobs';
import './line-plan.css';

interface LinePlanProps {
  readonly layout: Layout;
  readonly solved: SolvedJobs;
  /** What is lit at this moment of the evening, in minutes after it began; null for everything. */
  readonly atMinutes: number | null;
}

/** A lamp of so many lumens shines as far round it, in pixels, by night. */
const glowRadius = (lumens: number): number => Math.min(60, 9 + 26 * Math.sqrt(lumens));
const CLOSE = 30;
/** Below this width names stand in two rows. */
const NARROW = 900;

/** Share of the dark from noon to night: dusk begins past the middle of the slider. */
const darkness = (hour: number): number => Math.min(1, Math.max(0, (hour - 0.15) / 0.7));
const hourWords = (hour: number): string => (hour < 0.3 ? 'day' : hour < 0.75 ? 'dusk' : 'night');

/** The layout as it lies: each thing where it stands, lit as solved, with what needs attention pinned to it. */
export function LinePlan({ layout, solved, atMinutes }: LinePlanProps) {
  const [hour, setHour] = useState(0.62);
  const [element, room] = useRoom<SVGSVGElement>({ width: 1100, height: 400 });
  const view = planView(layout, room, false);
  const stands = standsOf(layout);
  const far = useStudy('howFar', layout, {}, 'slow').answer;
  const dark = darkness(hour);
  const at = ({ x, y }: Spot): { x: number; y: number } => ({ x: view.x(x), y: view.y(y) });
  const isLit = (jobId: string): boolean => atMinutes === null || isLitAt(layout.evening, jobId, atMinutes);
  return (
    <section
      className="line-plan"
      style={{ '--dark': dark } as CSSProperties}
      aria-label="The layout in plan"
    >
      <div className="line-hour">
        <span id="line-hour">Light outside</span>
        {/* Not the library's slider: it would be a twentieth of what this page loads first. */}
        <input
          type="range"
          aria-labelledby="line-hour"
          aria-valuetext={hourWords(hour)}
          min={0}
          max={1}
          step={0.05}
          value={hour}
          onChange={(e) => setHour(Number(e.target.value))}
        />
        <output>{hourWords(hour)}</output>
        <small>Dashed: planned. Plain: in hand. Green: done.</small>
      </div>
      <svg
        ref={element}
        style={{ height: view.height }}
        viewBox={`0 0 ${room.width} ${view.height}`}
        role="group"
        aria-label={`${layout.name} from above`}
      >
        {inOrder(layout.boards).map((b) => (
          <g key={b.id} className="ground">
            <rect
              x={view.x(b.xMillimetres)}
              y={view.y(b.yMillimetres)}
              width={b.widthMillimetres * view.scale}
              height={b.depthMillimetres * view.scale}
            />
            <text x={view.x(b.xMillimetres) + 8} y={view.y(b.yMillimetres + b.depthMillimetres) - 8}>
              {b.name}
            </text>
          </g>
        ))}
        {stands.rails.map(({ from, to }, i) => {
          const [a, b] = [at(from), at(to)];
          return <path key={i} className="track" d={`M${a.x} ${a.y}L${b.x} ${b.y}`} />;
        })}
        {[...stands.jobs].map(([jobId, spot], i) => (
          <Standing
            key={jobId}
            layout={layout}
            jobIds={[jobId]}
            name={layout.jobs[jobId].name}
            to={benchPath(jobId)}
            at={at(spot)}
            below={room.width < NARROW && i % 2 === 1 ? 36 : 22}
            solved={solved}
            dark={dark}
            isLit={isLit}
            far={far}
          />
        ))}
        {stands.onTrack.map((row) => (
          <Standing
            key={row.trainId ?? row.jobIds[0]}
            layout={layout}
            jobIds={row.jobIds}
            name={row.trainId === null ? layout.jobs[row.jobIds[0]].name : layout.trains[row.trainId].name}
            to={row.trainId === null ? benchPath(row.jobIds[0]) : trainPath(row.trainId)}
            at={at(row.at)}
            below={19}
            solved={solved}
            dark={dark}
            isLit={isLit}
            far={far}
            onRails
          />
        ))}
      </svg>
      {stands.nowhere.length > 0 && (
        <p className="line-nowhere">
          On no board yet: {stands.nowhere.map((id) => layout.jobs[id].name).join(', ')}.{' '}
          <Link to="/feeds">Put them on the plan</Link>
        </p>
      )}
    </section>
  );
}

interface StandingProps {
  readonly layout: Layout;
  readonly jobIds: readonly string[];
  readonly name: string;
  readonly to: string;
  readonly at: Spot;
  /** Where its name stands, in pixels. */
  readonly below: number;
  readonly solved: SolvedJobs;
  readonly dark: number;
  readonly isLit: (jobId: string) => boolean;
  readonly far: Readonly<Record<string, HowFar>> | null;
  readonly onRails?: boolean;
}

/** One thing where it stands: its glow, its name, how far it is, and a pin where something needs attention. */
function Standing(props: StandingProps) {
  const { layout, jobIds, name, to, at, below, solved, dark, isLit, far, onRails = false } = props;
  const glows = jobIds
    .filter(isLit)
    .flatMap((id) => solved.get(id)?.readings ?? [])
    .map(glowOf)
    .filter((g) => g.colour !== null);
  const states = jobIds.map((id) => far?.[id] ?? 'planned');
  const state: HowFar = states.every((s) => s === 'done')
    ? 'done'
    : states.some((s) => s !== 'planned')
      ? 'in hand'
      : 'planned';
  const wide = onRails ? 9 + 5 * jobIds.length : 9;
  return (
    <Link to={to} className={`standing ${state.replace(' ', '-')}`} aria-description={state}>
      <g transform={`translate(${at.x} ${at.y})`}>
        <rect className="touch" x={-CLOSE / 2} y={-CLOSE / 2} width={CLOSE} height={CLOSE} />
        {glows.map((g, i) => (
          <circle
            key={i}
            cx={onRails ? (i - (glows.length - 1) / 2) * 10 : 0}
            r={glowRadius(g.lumens)}
            fill={g.colour!}
            opacity={0.12 + 0.4 * dark}
            className="glow"
          />
        ))}
        <rect
          className="thing"
          x={-wide}
          y={onRails ? -4 : -6}
          width={2 * wide}
          height={onRails ? 8 : 12}
          rx={3}
          fill={glows.length > 0 ? glows[0].colour! : '#46544f'}
        />
        <text y={below} textAnchor="middle">
          {name}
        </text>
        <Pins layout={layout} jobIds={jobIds} x={wide} />
      </g>
    </Link>
  );
}

/** What needs attention of the jobs that stand at a place, as one pin; nothing while nothing does. */
function Pins({
  layout,
  jobIds,
  x,
}: {
  readonly layout: Layout;
  readonly jobIds: readonly string[];
  readonly x: number;
}) {
  return jobIds.map((id, i) => <Pin key={id} layout={layout} jobId={id} x={x + 12 * i} />);
}

function Pin({ layout, jobId, x }: { readonly layout: Layout; readonly jobId: string; readonly x: number }) {
  const { findings, stale } = useJudged(layout, jobId);
  const grave = findings.filter((f) => f.severity !== 'note');
  if (stale || grave.length === 0) return null;
  const stop = grave.some((f) => f.severity === 'stop');
  return (
    <g
      transform={`translate(${x} -9)`}
      className={stop ? 'pin stop' : 'pin mind'}
      role="img"
      aria-label={grave[0].title}
    >
      <path d="M0 6C-5 0-6-3-6-6a6 6 0 0 1 12 0c0 3-1 6-6 12Z" />
      <text y={-3} textAnchor="middle" aria-hidden="true">
        {grave.length}
      </text>
    </g>
  );
}
