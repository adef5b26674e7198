import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useState, type ReactNode } from 'react';
import { useRoom } from '../use-room';
import './line-chart.css';

/** A curve against one of the two scales. */
export interface Curve {
  readonly name: string;
  readonly colour: string;
  readonly dashed?: boolean;
  readonly values: readonly number[];
  /** The scale it is read on; the left one when left out. */
  readonly side?: 'left' | 'right';
  /** A value of it in words. */
  readonly says: (value: number) => string;
}

export interface ChartScale {
  readonly domain: readonly [number, number];
  readonly ticks: readonly number[];
  readonly says: (value: number) => string;
  readonly colour: string;
}

interface LineChartProps {
  readonly label: string;
  /** What the curves are, by their colours. */
  readonly legend: ReactNode;
  /** What stands along the bottom. */
  readonly along: string;
  readonly x: readonly number[];
  readonly domain: readonly [number, number];
  readonly ticks?: readonly number[];
  readonly saysX: (x: number) => string;
  readonly curves: readonly Curve[];
  readonly left: ChartScale;
  readonly right?: ChartScale;
  /** Places along the bottom that are told, with what happens there. */
  readonly marks?: readonly { readonly at: number; readonly says: string }[];
  /** Heights on the left scale that are told. */
  readonly levels?: readonly { readonly at: number; readonly says: string }[];
  /** Where the hand is now. */
  readonly now?: number;
  readonly stale?: boolean;
}

const LEFT = 58;
const RIGHT = 62;
const TOP = 40;
const BOTTOM = 46;
/** From one mark's words to the next one's, where they would meet. */
const MARK_ROW = 15;
const USUAL_TICKS = 5;

/**
 * Curves over one figure, in the room there is, its letters always of one size; the values at a place
 * are told when a pointer or the arrow keys are on it. On d3's scales and lines: a charting library
 * alone would be a fifth of the page.
 */
export function LineChart(props: LineChartProps) {
  const { label, legend, along, x, domain, saysX, curves, left, right, marks = [], levels = [], now } = props;
  const [element, room] = useRoom<SVGSVGElement>({ width: 560, height: 340 });
  const [at, setAt] = useState<number | null>(null);
  const across = scaleLinear([...domain], [LEFT, room.width - (right ? RIGHT : 18)]);
  const up = (scale: ChartScale) => scaleLinear([...scale.domain], [room.height - BOTTOM, TOP]);
  const heights = { left: up(left), right: right ? up(right) : null };
  const [from, to] = across.range();
  const ticks = props.ticks ?? across.ticks(USUAL_TICKS);
  const pathOf = ({ values, side = 'left' }: Curve): string =>
    line<number>(
      (i) => across(x[i]),
      (i) => heights[side]!(values[i]),
    )(x.flatMap((v, i) => (v >= domain[0] && v <= domain[1] ? [i] : []))) ?? '';
  const nearest = (pixels: number): number => {
    const wanted = across.invert(pixels);
    return x.reduce((best, v, i) => (Math.abs(v - wanted) < Math.abs(x[best] - wanted) ? i : best), 0);
  };
  const step = (by: number): void =>
    setAt((i) => Math.min(x.length - 1, Math.max(0, (i ?? (by > 0 ? -1 : x.length)) + by)));
  return (
    <figure className={props.stale ? 'line-chart stale' : 'line-chart'} aria-busy={props.stale}>
      <figcaption>
        {legend}
        <span className="told" role="status">
          {at !== null &&
            `${saysX(x[at])}: ${curves.map((c) => `${c.name} ${c.says(c.values[at])}`).join(', ')}`}
        </span>
      </figcaption>
      <svg
        ref={element}
        viewBox={`0 0 ${room.width} ${room.height}`}
        role="img"
        aria-label={label}
        tabIndex={0}
        onPointerMove={(e) => setAt(nearest(e.clientX - e.currentTarget.getBoundingClientRect().left))}
        onPointerLeave={() => setAt(null)}
        onBlur={() => setAt(null)}
        onKeyDown={(e) => {
          if (e.key !== 'ArrowRight' && e.key !== 'ArrowLeft') return;
          step(e.key === 'ArrowRight' ? 1 : -1);
          e.preventDefault();
        }}
      >
        {left.ticks.map((t) => (
          <g key={t}>
            <line className="grid" x1={from} x2={to} y1={heights.left(t)} y2={heights.left(t)} />
            <text x={from - 8} y={heights.left(t) + 4} textAnchor="end" style={{ fill: left.colour }}>
              {left.says(t)}
            </text>
          </g>
        ))}
        {right?.ticks.map((t) => (
          <text key={t} x={to + 8} y={heights.right!(t) + 4} style={{ fill: right.colour }}>
            {right.says(t)}
          </text>
        ))}
        {ticks.map((t) => (
          <g key={t}>
            <line className="grid" x1={across(t)} x2={across(t)} y1={TOP} y2={room.height - BOTTOM} />
            <text x={across(t)} y={room.height - BOTTOM + 18} textAnchor="middle">
              {saysX(t)}
            </text>
          </g>
        ))}
        <text className="along" x={(from + to) / 2} y={room.height - 8} textAnchor="middle">
          {along}
        </text>
        {levels.map((l) => (
          <g key={l.says} className="level">
            <line x1={from} x2={to} y1={heights.left(l.at)} y2={heights.left(l.at)} />
            <text x={from + 5} y={heights.left(l.at) - 5}>
              {l.says}
            </text>
          </g>
        ))}
        {marks.map((m, i) => {
          const px = across(m.at);
          const towardsEnd = px > (from + to) / 2;
          return (
            <g key={m.says} className="mark">
              <line x1={px} x2={px} y1={TOP - 4} y2={room.height - BOTTOM} />
              <text
                x={px + (towardsEnd ? -4 : 4)}
                y={TOP - 9 - MARK_ROW * (i % 2)}
                textAnchor={towardsEnd ? 'end' : 'start'}
              >
                {m.says}
              </text>
            </g>
          );
        })}
        {now !== undefined && (
          <line className="now" x1={across(now)} x2={across(now)} y1={TOP} y2={room.height - BOTTOM} />
        )}
        {curves.map((c) => (
          <path
            key={c.name}
            className="curve"
            d={pathOf(c)}
            stroke={c.colour}
            strokeDasharray={c.dashed ? '7 4' : undefined}
          />
        ))}
        {at !== null && (
          <g>
            <line className="at" x1={across(x[at])} x2={across(x[at])} y1={TOP} y2={room.height - BOTTOM} />
            {curves.map((c) => (
              <circle
                key={c.name}
                cx={across(x[at])}
                cy={heights[c.side ?? 'left']!(c.values[at])}
                r={4}
                fill={c.colour}
              />
            ))}
          </g>
        )}
      </svg>
    </figure>
  );
}
