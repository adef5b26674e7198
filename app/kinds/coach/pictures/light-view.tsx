import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { roomKinds } from '../../../../core/kinds/coach/room-kinds';
import { windowShape } from '../../../../core/kinds/coach/usual-interior';
import { inOrder } from '../../../../core/document/in-order';
import { screenColour } from '../../../../core/light/colour';
import { windowLightness } from '../../../../core/light/wanted';
import { formatQuantity } from '../../../../core/quantity/format';
import { coachInterior, type CoachInterior } from '../../../../core/kinds/coach/interior';
import type { CoachLight } from '../../../../core/kinds/coach/light';
import { coachLightOf } from '../coach-light';
import type { CoachRecord } from '../../../../core/kinds/coach/record';
import type { Solved } from '../../../bench/solved-job';
import type { CoachPictureProps } from '../coach-props';
import './light.css';

const WIDTH = 600;
const MARGIN = 44;
const CURVE_HEIGHT = 132;
const PLAN_TOP = 22;
const GAP = 34;

/** How evenly the coach is lit: the inside from above, and the light along both lines of windows. */
export function LightView({ solved }: CoachPictureProps) {
  const { job } = solved.bench;
  const light = coachLightOf(solved);
  const laid = coachInterior(job);
  const length = job.dimensions.lengthMillimetres;
  const perMillimetre = (WIDTH - MARGIN - 8) / length;
  const planHeight = Math.min(110, laid.light.width * perMillimetre);
  const x = (mm: number): number => MARGIN + mm * perMillimetre;
  const curveTop = PLAN_TOP + planHeight + GAP;
  const height = curveTop + CURVE_HEIGHT + 24;
  return (
    <div className="light-view">
      <LightFigures light={light} />
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        preserveAspectRatio="xMidYMin meet"
        role="img"
        aria-label="The inside from above, and the light along the windows"
      >
        <Plan solved={solved} laid={laid} x={x} top={PLAN_TOP} high={planHeight} />
        {light && <Curves light={light} solved={solved} x={x} top={curveTop} />}
      </svg>
    </div>
  );
}

function LightFigures({ light }: { readonly light: CoachLight | null }) {
  if (!light) return null;
  return (
    <dl className="light-figures">
      <div>
        <dt>Mean at the windows</dt>
        <dd data-figure="mean-lux">{formatQuantity(light.meanLux, 'lux')}</dd>
      </div>
      <div>
        <dt>Least</dt>
        <dd>{formatQuantity(light.leastLux, 'lux')}</dd>
      </div>
      <div>
        <dt>Least over mean</dt>
        <dd data-figure="evenness">{Math.round(100 * light.evenness)} %</dd>
      </div>
      <div>
        <dt>Darkest</dt>
        <dd data-figure="darkest">
          {light.darkest ? `${light.darkest.name}, ${formatQuantity(light.darkest.lux, 'lux')}` : '–'}
        </dd>
      </div>
    </dl>
  );
}

interface PlanProps {
  readonly solved: Solved<CoachRecord>;
  readonly laid: CoachInterior;
  readonly x: (mm: number) => number;
  readonly top: number;
  readonly high: number;
}

/** From above, near side below: rooms as bright as their windows, partitions, seat-backs and lamps. */
function Plan({ solved, laid, x, top, high }: PlanProps) {
  const { job } = solved.bench;
  const { width } = laid.light;
  const light = coachLightOf(solved);
  const y = (mm: number): number => top + high - (mm / width) * high;
  const lux = (id: string): number => light?.rooms.find((r) => r.id === id)?.lux ?? 0;
  const glow = (id: string): number => windowLightness(lux(id)) / 100;
  const colour = (id: string): string => {
    const window = [...(light?.near ?? []), ...(light?.far ?? [])].find((w) => w.room === id);
    return window?.xy ? screenColour(window.xy) : '#ffc46b';
  };
  const panes = windowShape(job.dimensions);
  const perMillimetre = x(1) - x(0);
  const unitOf = (lampId: string): number =>
    solved.readings?.dies.find((l) => l.lampId === lampId)?.led?.unitMillimetres ?? 0;
  return (
    <g>
      <rect
        x={x(0)}
        y={top}
        width={x(job.dimensions.lengthMillimetres) - x(0)}
        height={high}
        fill="#1a2421"
      />
      {laid.rooms.map((r) => (
        <rect
          key={r.id}
          x={x(r.from)}
          y={y(r.farthest)}
          width={x(r.to) - x(r.from)}
          height={y(r.nearest) - y(r.farthest)}
          fill={colour(r.id)}
          opacity={glow(r.id)}
        />
      ))}
      {laid.corridor && (
        <rect
          x={x(laid.corridor.from)}
          y={y(laid.corridor.farthest)}
          width={x(laid.corridor.to) - x(laid.corridor.from)}
          height={y(laid.corridor.nearest) - y(laid.corridor.farthest)}
          fill={colour('corridor')}
          opacity={glow('corridor')}
        />
      )}
      {laid.light.screens.map((s, i) => {
        const full = s.top > laid.light.ceiling * 0.75;
        const ends =
          s.lies === 'across'
            ? { x1: x(s.at), x2: x(s.at), y1: y(s.from), y2: y(s.to) }
            : { x1: x(s.from), x2: x(s.to), y1: y(s.at), y2: y(s.at) };
        return (
          <line
            key={`${s.lies} ${s.at} ${i}`}
            {...ends}
            stroke={full ? '#f6f2e9' : '#9aa59c'}
            strokeWidth={full ? 2.4 : 1.4}
            strokeDasharray={full ? undefined : '3 3'}
          />
        );
      })}
      <rect
        x={x(0)}
        y={top}
        width={x(job.dimensions.lengthMillimetres) - x(0)}
        height={high}
        fill="none"
        stroke="#16211f"
        strokeWidth={3}
      />
      {panes.centres.map((c) => (
        <g key={c} stroke="#b98a3b" strokeWidth={3.4}>
          <line x1={x(c - panes.width / 2)} x2={x(c + panes.width / 2)} y1={top} y2={top} />
          <line x1={x(c - panes.width / 2)} x2={x(c + panes.width / 2)} y1={top + high} y2={top + high} />
        </g>
      ))}
      {inOrder(job.lamps)
        .filter((l) => l.role === 'room')
        .map((l) => (
          <rect
            key={l.id}
            x={x(l.placeMillimetres - unitOf(l.id) / 2) - 4}
            y={y(width / 2 + l.acrossMillimetres) - 4}
            width={unitOf(l.id) * perMillimetre + 8}
            height={8}
            rx={4}
            fill="#fff6df"
            stroke="#16211f"
            strokeWidth={1.4}
            opacity={l.circuitId === null ? 0.4 : 1}
          />
        ))}
      {laid.rooms
        .filter((r) => x(r.to) - x(r.from) > 15)
        .map((r) => (
          <text
            key={r.id}
            x={(x(r.from) + x(r.to)) / 2}
            y={top - 6}
            textAnchor="middle"
            className="plan-label"
          >
            {x(r.to) - x(r.from) > 7.5 * roomKinds[r.kind].name.length
              ? roomKinds[r.kind].name
              : roomKinds[r.kind].short}
          </text>
        ))}
      <text x={x(0) - 6} y={y(0) - 2} textAnchor="end" className="plan-side">
        near
      </text>
      <text x={x(0) - 6} y={y(width) + 9} textAnchor="end" className="plan-side">
        far
      </text>
    </g>
  );
}

interface CurvesProps {
  readonly light: CoachLight;
  readonly solved: Solved<CoachRecord>;
  readonly x: (mm: number) => number;
  readonly top: number;
}

function Curves({ light, solved, x, top }: CurvesProps) {
  const { job } = solved.bench;
  const most = Math.max(1e-6, ...light.nearLux, ...light.farLux);
  const scale = scaleLinear()
    .domain([0, most])
    .nice(3)
    .range([top + CURVE_HEIGHT, top]);
  const curve = (lux: Float64Array): string =>
    line<number>()
      .x((i) => x(light.along[i]))
      .y((i) => scale(lux[i]))(light.along.map((_, i) => i)) ?? '';
  const panes = windowShape(job.dimensions);
  const length = job.dimensions.lengthMillimetres;
  const corridor = job.interior.corridor?.side;
  const name = (side: 'near' | 'far'): string => (corridor === side ? 'corridor side' : `${side} windows`);
  return (
    <g>
      {panes.centres.map((c) => (
        <rect
          key={c}
          x={x(c - panes.width / 2)}
          y={top}
          width={x(c + panes.width / 2) - x(c - panes.width / 2)}
          height={CURVE_HEIGHT}
          fill="#e7dcc0"
        />
      ))}
      {scale.ticks(3).map((t) => (
        <g key={t}>
          <line x1={x(0)} x2={x(length)} y1={scale(t)} y2={scale(t)} stroke="#cbbf9f" strokeWidth={1} />
          <text x={x(0) - 6} y={scale(t) + 4} textAnchor="end" className="plan-side">
            {t}
          </text>
        </g>
      ))}
      <line
        x1={x(0)}
        x2={x(length)}
        y1={scale(light.meanLux)}
        y2={scale(light.meanLux)}
        stroke="#16211f"
        strokeWidth={1.2}
        strokeDasharray="2 4"
      />
      <path d={curve(light.farLux)} fill="none" stroke="#3e5b4f" strokeWidth={2} strokeDasharray="7 4" />
      <path d={curve(light.nearLux)} fill="none" stroke="#a8702a" strokeWidth={2.4} />
      <text x={x(0)} y={top - 7} className="plan-label start">
        lux at the seats:
        <tspan fill="#8a5a1c" dx={8}>
          — {name('near')}
        </tspan>
        <tspan fill="#3e5b4f" dx={10}>
          - - {name('far')}
        </tspan>
      </text>
      <text x={x(0)} y={top + CURVE_HEIGHT + 18} className="plan-side start">
        0 mm
      </text>
      <text x={x(length)} y={top + CURVE_HEIGHT + 18} textAnchor="end" className="plan-side">
        {formatQuantity(length, 'millimetre')}
      </text>
    </g>
  );
}
