import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { formatQuantity } from '../../../core/quantity/format';
import type { TrainInrush } from '../../../core/study/train-inrush';

interface InrushChartProps {
  readonly name: string;
  readonly rush: TrainInrush;
  readonly stale: boolean;
}

const WIDTH = 560;
const HEIGHT = 120;
const LEFT = 54;

/** The current of a train in the first moments, against what its supply gives. */
export function InrushChart({ name, rush, stale }: InrushChartProps) {
  const end = rush.seconds[rush.seconds.length - 1] || 1e-3;
  const x = scaleLinear()
    .domain([0, end])
    .range([LEFT, WIDTH - 8]);
  const most = Math.max(rush.limitAmps * 1.1, rush.peakAmps * 1.05);
  const y = scaleLinear()
    .domain([0, most])
    .range([HEIGHT - 20, 8]);
  const path = line<number>()
    .x((i) => x(rush.seconds[i]))
    .y((i) => y(rush.amps[i]))(rush.amps.map((_, i) => i));
  return (
    <figure className="inrush-chart" style={{ opacity: stale ? 0.45 : 1 }}>
      <figcaption>
        {name}: up to <b>{formatQuantity(rush.peakAmps, 'amp')}</b>
        {rush.overSeconds > 0
          ? `, over ${formatQuantity(rush.limitAmps, 'amp')} for ${formatQuantity(rush.overSeconds, 'second', { significant: 2 })}`
          : `, below its ${formatQuantity(rush.limitAmps, 'amp')}`}
        {rush.rms &&
          `; once charged ${formatQuantity(rush.rms.steadyAmps, 'amp')} RMS, at first ${formatQuantity(rush.rms.worstAmps, 'amp')} RMS over ${formatQuantity(rush.rms.overSeconds, 'second', { significant: 2 })}, which is what it feels`}
        {rush.tripsAtSeconds === null ? (
          '. It stays on.'
        ) : (
          <>
            .{' '}
            <strong>
              It trips after {formatQuantity(rush.tripsAtSeconds, 'second', { significant: 2 })}
            </strong>
            ; {rush.atOnce} of {rush.cars} vehicles can be switched on at once.
          </>
        )}
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label={`Current of the train on ${name} after the power comes on`}
      >
        {y.ticks(3).map((t) => (
          <g key={t}>
            <line x1={LEFT} x2={WIDTH - 8} y1={y(t)} y2={y(t)} stroke="#ddd2b8" />
            <text x={LEFT - 6} y={y(t) + 4} textAnchor="end" className="plan-side">
              {formatQuantity(t, 'amp')}
            </text>
          </g>
        ))}
        <line
          x1={LEFT}
          x2={WIDTH - 8}
          y1={y(rush.limitAmps)}
          y2={y(rush.limitAmps)}
          stroke="#a8331d"
          strokeWidth={1.5}
          strokeDasharray="6 4"
        />
        <path d={path ?? ''} fill="none" stroke="#3e5b4f" strokeWidth={2.2} />
        <text x={LEFT} y={HEIGHT - 4} className="plan-side">
          0 s
        </text>
        <text x={WIDTH - 8} y={HEIGHT - 4} textAnchor="end" className="plan-side">
          {formatQuantity(end, 'second', { significant: 2 })}
        </text>
      </svg>
    </figure>
  );
}
