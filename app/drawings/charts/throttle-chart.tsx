import {
  CartesianGrid,
  Line,
  LineChart,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts';
import { SHOWN } from '../../../core/light/lamp-light';
import { lampNamesOf } from '../../../core/study/lamp-names';
import { screenColour } from '../../../core/light/colour';
import { palette } from '../../theme/palette';
import type { ThrottleSweep } from '../../../core/study/throttle-sweep';
import type { Layout } from '../../../core/document/layout';
import './throttle.css';

interface ThrottleChartProps {
  readonly layout: Layout;
  readonly jobId: string;
  readonly sweep: ThrottleSweep;
  readonly throttle: number;
}

const levels = [
  { at: SHOWN.shows, name: 'shows' },
  { at: SHOWN.good, name: 'good' },
  { at: SHOWN.bright, name: 'bright' },
];
/** Line colours that stand out on paper, by what the lamp shines. */
const onPaper = (hex: string): string => {
  const [r, g, b] = [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16));
  if (r > 180 && g < 110) return '#a33522';
  if (g > r && g > b) return palette.moss;
  return '#8a5f12';
};

/** Light of the lamps from full reverse to full forward, like ones as one line, beside the old bulb. */
export default function ThrottleChart({ layout, jobId, sweep, throttle }: ThrottleChartProps) {
  const lamps = lampNamesOf(layout, jobId);
  const curves = new Map<string, { names: string[]; colour: string; light: readonly number[] }>();
  for (const l of sweep.lamps) {
    if (Math.max(...l.lightness) === 0) continue;
    const key = l.lightness.map((v) => v.toFixed(0)).join();
    const known = curves.get(key);
    if (known) known.names.push(lamps.get(l.lampId) ?? l.lampId);
    else
      curves.set(key, {
        names: [lamps.get(l.lampId) ?? l.lampId],
        colour: onPaper(screenColour(l.xy)),
        light: l.lightness,
      });
  }
  const list = [...curves.values()];
  const points = sweep.throttles.map((t, i) => ({
    throttle: Math.round(t * 100),
    bulb: sweep.bulb[i],
    ...Object.fromEntries(list.map((c, k) => [`c${k}`, c.light[i]])),
  }));
  return (
    <figure className="throttle-chart">
      <figcaption>
        {list.map((c, k) => (
          <span key={c.names.join()} style={{ color: c.colour }}>
            {k % 2 === 0 ? '━' : '┅'}{' '}
            {c.names.length > 2 ? `${c.names[0]} and ${c.names.length - 1} more` : c.names.join(', ')}
          </span>
        ))}
        <span style={{ color: '#56625b' }}>━ the old bulb</span>
      </figcaption>
      <ResponsiveContainer width="100%" height="100%" minHeight={240}>
        <LineChart data={points} margin={{ top: 10, right: 14, bottom: 22, left: 0 }}>
          <CartesianGrid stroke="#e2d9c3" />
          <XAxis
            dataKey="throttle"
            type="number"
            domain={[-100, 100]}
            ticks={[-100, -50, 0, 50, 100]}
            unit=" %"
            stroke="#56625b"
            label={{
              value: 'throttle: reverse to the left, forward to the right',
              position: 'insideBottom',
              offset: -12,
              fill: '#3a4741',
              fontSize: 13,
            }}
          />
          <YAxis domain={[0, 100]} ticks={[0, 25, 50, 75, 100]} stroke="#56625b" width={44} />
          {levels.map((l) => (
            <ReferenceLine
              key={l.name}
              y={l.at}
              stroke="#b9ab86"
              strokeDasharray="3 4"
              label={{ value: l.name, position: 'insideLeft', fill: '#6a5a2a', fontSize: 12, dy: -8 }}
            />
          ))}
          <ReferenceLine x={Math.round(throttle * 100)} stroke={palette.moss} strokeWidth={2} />
          <Tooltip
            formatter={(value, name) => [
              `${Number(value).toFixed(0)} of 100`,
              name === 'bulb' ? 'old bulb' : (list[Number(String(name).slice(1))]?.names[0] ?? ''),
            ]}
            labelFormatter={(t) => `${Number(t) < 0 ? 'reverse' : 'forward'} ${Math.abs(Number(t))} %`}
          />
          <Line
            dataKey="bulb"
            stroke={palette.steel}
            strokeWidth={1.6}
            dot={false}
            isAnimationActive={false}
          />
          {list.map((c, k) => (
            <Line
              key={c.names.join()}
              dataKey={`c${k}`}
              stroke={c.colour}
              strokeWidth={2.4}
              strokeDasharray={k % 2 === 0 ? undefined : '7 4'}
              dot={false}
              isAnimationActive={false}
            />
          ))}
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
}
