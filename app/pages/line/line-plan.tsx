import { useMemo, useState, type CSSProperties } from 'react';
import { Link } from 'react-router';
import { causes } from '../../../core/finding/follows';
import { inOrder } from '../../../core/document/in-order';
import { standsOf, type Spot } from '../../../core/feed/stands';
import { isLitAt } from '../../../core/study/evening';
import { useJudged } from '../../bench/use-judged';
import { useRoom } from '../../drawings/use-room';
import { benchPath, trainPath } from '../../shell/paths';
import { useStudy } from '../../workers/use-study';
import { placing, roundSign, type Box, type PlacedLabel } from '../../drawings/place-words';
import { planView } from '../feeds/plan-geometry';
import type { Layout } from '../../../core/document/layout';
import type { HowFar } from '../../../core/build/how-far';
import type { GlowOf } from './use-last-glows';
import './line-plan.css';

interface LinePlanProps {
  readonly layout: Layout;
  readonly glowOf: GlowOf;
  /** What is lit at this moment of the evening, in minutes after it began; null for everything. */
  readonly atMinutes: number | null;
}

/** A lamp of so many lumens shines as far round it, in pixels, by night. */
const glowRadius = (lumens: number): number => Math.min(60, 9 + 26 * Math.sqrt(lumens));
const CLOSE = 30;

/** Share of the dark from noon to night: dusk begins past the middle of the slider. */
const darkness = (hour: number): number => Math.min(1, Math.max(0, (hour - 0.15) / 0.7));
const hourWords = (hour: number): string => (hour < 0.3 ? 'day' : hour < 0.75 ? 'dusk' : 'night');

/** The layout as it lies: each thing where it stands, lit as solved, with what needs attention pinned to it. */
export function LinePlan({ layout, glowOf, atMinutes }: LinePlanProps) {
  const [hour, setHour] = useState(0.62);
  const [element, room] = useRoom<SVGSVGElement>({ width: 1100, height: 400 });
  const far = useStudy('howFar', layout, {}, 'slow').answer;
  const dark = darkness(hour);
  const isLit = (jobId: string): boolean => atMinutes === null || isLitAt(layout.evening, jobId, atMinutes);
  const { view, stands, standing, names } = useMemo(() => placed(layout, room), [layout, room]);
  const at = ({ x, y }: Spot): { x: number; y: number } => ({ x: view.x(x), y: view.y(y) });
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
        <g aria-hidden="true">
          {standing.map((s) => (
            <Glow key={s.id} {...s} glowOf={glowOf} dark={dark} isLit={isLit} />
          ))}
        </g>
        {standing.map((s) => (
          <Standing
            key={s.id}
            layout={layout}
            {...s}
            name={names.get(s.id)!}
            glowOf={glowOf}
            isLit={isLit}
            far={far}
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

/** Where everything stands in a room of so many pixels, and its name with it: worked out when the plan changes. */
function placed(layout: Layout, room: Parameters<typeof planView>[1]) {
  const view = planView(layout, room, false);
  const stands = standsOf(layout);
  const at = ({ x, y }: Spot): { x: number; y: number } => ({ x: view.x(x), y: view.y(y) });
  const standing: readonly Stood[] = [
    ...[...stands.jobs].map(([id, spot]): Stood => ({
      id,
      jobIds: [id],
      title: layout.jobs[id].name,
      to: benchPath(id),
      at: at(spot),
      onRails: false,
    })),
    ...stands.onTrack.map(({ trainId, jobIds, at: spot }): Stood => ({
      id: trainId ?? jobIds[0],
      jobIds,
      title: trainId === null ? layout.jobs[jobIds[0]].name : layout.trains[trainId].name,
      to: trainId === null ? benchPath(jobIds[0]) : trainPath(trainId),
      at: at(spot),
      onRails: true,
    })),
  ];
  const sign = (s: Stood): Box => ({ ...s.at, width: 2 * halfWide(s) + 4, height: 16 });
  const pin = (s: Stood): Box => ({ x: s.at.x + halfWide(s), y: s.at.y - 14, width: 16, height: 20 });
  const place = placing(standing.flatMap((s) => [sign(s), pin(s)]));
  const names = new Map(
    standing.map((s) => [s.id, place(belowFirst(roundSign(s.title, sign(s), room.width)))]),
  );
  return { view, stands, standing, names };
}

/** A job or a train where it stands, in pixels. */
interface Stood {
  readonly id: string;
  readonly jobIds: readonly string[];
  readonly title: string;
  readonly to: string;
  readonly at: Spot;
  readonly onRails: boolean;
}

const halfWide = ({ onRails, jobIds }: Stood): number => (onRails ? 9 + 5 * jobIds.length : 9);

/** A thing's name stands under it where there is room. */
const belowFirst = ([over, under, ...others]: readonly PlacedLabel[]): PlacedLabel[] => [
  under,
  over,
  ...others,
];

interface Lit {
  readonly glowOf: GlowOf;
  readonly isLit: (jobId: string) => boolean;
}

/** What shines at a place. */
const glowsOf = ({ jobIds, glowOf, isLit }: Pick<Stood, 'jobIds'> & Lit) =>
  jobIds
    .filter(isLit)
    .flatMap((id) => glowOf(id) ?? [])
    .filter((g) => g.colour !== null);

/** The light round one thing, under all names. */
function Glow({ id, at, onRails, dark, ...of }: Stood & Lit & { readonly dark: number }) {
  const glows = glowsOf(of);
  return (
    <g transform={`translate(${at.x} ${at.y})`} data-glow={id}>
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
    </g>
  );
}

interface StandingProps extends Stood, Lit {
  readonly layout: Layout;
  readonly name: PlacedLabel;
  readonly far: Readonly<Record<string, HowFar>> | null;
}

/** One thing where it stands: its name, how far it is, and a pin where something needs attention. */
function Standing(props: StandingProps) {
  const { layout, jobIds, name, to, at, far, onRails } = props;
  const glows = glowsOf(props);
  const states = jobIds.map((id) => far?.[id] ?? 'planned');
  const state: HowFar = states.every((s) => s === 'done')
    ? 'done'
    : states.some((s) => s !== 'planned')
      ? 'in hand'
      : 'planned';
  const wide = halfWide(props);
  return (
    <Link to={to} className={`standing ${state.replace(' ', '-')}`} aria-description={state}>
      <g transform={`translate(${at.x} ${at.y})`}>
        <rect className="touch" x={-CLOSE / 2} y={-CLOSE / 2} width={CLOSE} height={CLOSE} />
        <rect
          className="thing"
          x={-wide}
          y={onRails ? -4 : -6}
          width={2 * wide}
          height={onRails ? 8 : 12}
          rx={3}
          fill={glows.length > 0 ? glows[0].colour! : '#46544f'}
        />
        <text x={name.x - at.x} y={name.y - at.y + 4} textAnchor="middle">
          {name.text}
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
  const grave = causes(findings).filter((f) => f.severity !== 'note');
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
