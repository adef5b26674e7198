import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { formatQuantity } from '../../../core/quantity/format';
import type { RunSample } from '../../../core/study/live-run';
import './scope.css';

interface ScopeProps {
  readonly samples: readonly RunSample[];
}

const WIDTH = 560;
const HEIGHT = 330;
const SPAN_SECONDS = 8;
const LEFT = 44;
const RIGHT = 50;

/** The last seconds of a run as it was solved: light, reservoir volts, and where contact was lost. */
export function Scope({ samples }: ScopeProps) {
  const now = samples[samples.length - 1]?.seconds ?? 0;
  const shown = samples.filter((s) => s.seconds >= now - SPAN_SECONDS);
  const x = scaleLinear([now - SPAN_SECONDS, now], [LEFT, WIDTH - RIGHT]);
  const most = Math.max(1.1, ...shown.map((s) => s.light));
  const light = scaleLinear([0, most], [HEIGHT - 34, 26]);
  const topVolts = Math.max(5, ...shown.map((s) => s.reservoirVolts)) * 1.3;
  const volts = scaleLinear([0, topVolts], [HEIGHT - 34, 26]);
  const path = (of: (s: RunSample) => number): string =>
    line<RunSample>(
      (s) => x(s.seconds),
      (s) => of(s),
    )(shown) ?? '';
  const last = shown[shown.length - 1];
  return (
    <figure className="scope">
      <figcaption>
        Light <b className="light">━ of what it is made for</b> and roof line <b className="volts">━ volts</b>
        ; shaded where wheels lose the rail
      </figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label="Scope of the run: light and volts over the last seconds"
      >
        {gaps(shown).map(([from, to]) => (
          <rect
            key={from}
            className="gap"
            x={x(from)}
            width={Math.max(1, x(to) - x(from))}
            y={26}
            height={HEIGHT - 60}
          />
        ))}
        {light.ticks(5).map((t) => (
          <g key={t}>
            <line className="grid" x1={LEFT} x2={WIDTH - RIGHT} y1={light(t)} y2={light(t)} />
            <text className="light" x={LEFT - 6} y={light(t) + 4} textAnchor="end">
              {Math.round(100 * t)} %
            </text>
          </g>
        ))}
        {volts.ticks(5).map((t) => (
          <text key={t} className="volts" x={WIDTH - RIGHT + 6} y={volts(t) + 4}>
            {t} V
          </text>
        ))}
        <path className="volts" d={path((s) => volts(s.reservoirVolts))} />
        <path className="light" d={path((s) => light(s.light))} />
        <text x={LEFT} y={HEIGHT - 12}>
          {SPAN_SECONDS} s ago
        </text>
        <text x={WIDTH - RIGHT} y={HEIGHT - 12} textAnchor="end">
          now
          {last &&
            `: ${(100 * last.light).toFixed(0)} %, ${formatQuantity(last.reservoirVolts, 'volt')}, ${formatQuantity(last.supplyAmps, 'amp')}`}
        </text>
      </svg>
    </figure>
  );
}

/** Stretches of time without contact. */
function gaps(samples: readonly RunSample[]): [number, number][] {
  const found: [number, number][] = [];
  samples.forEach((s, i) => {
    if (s.contact || i === 0) return;
    const from = samples[i - 1].seconds;
    const open = found[found.length - 1];
    if (open && open[1] === from) open[1] = s.seconds;
    else found.push([from, s.seconds]);
  });
  return found;
}
