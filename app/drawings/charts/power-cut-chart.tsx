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
import { fades, type PowerCutStudy } from '../../../core/study/power-cut';
import { formatQuantity } from '../../../core/quantity/format';
import { shareName } from '../../panels/try/share-name';
import { palette } from '../../theme/palette';

interface PowerCutChartProps {
  readonly cut: PowerCutStudy;
  readonly stale: boolean;
}

/** Lamp light and reservoir voltage after the power is cut, with the moments at which the eye takes notice. */
export default function PowerCutChart({ cut, stale }: PowerCutChartProps) {
  const end =
    cut.moments[2] === null || cut.moments[2] === undefined
      ? cut.seconds[cut.seconds.length - 1]
      : Math.max(0.1, cut.moments[2] * 1.15);
  const points = cut.seconds
    .map((seconds, i) => ({
      seconds,
      light: 100 * cut.light[i],
      volts: cut.reservoirVolts[i],
    }))
    .filter((p) => p.seconds <= end);
  const hasVolts = cut.reservoirVolts.length > 0;
  const topVolts = Math.ceil(Math.max(1, ...cut.reservoirVolts) * 1.05);
  return (
    <figure
      className="power-cut-chart"
      style={{
        opacity: stale ? 0.45 : 1,
        margin: 0,
        height: '100%',
        display: 'grid',
        gridTemplateRows: 'auto minmax(0,1fr)',
      }}
      aria-busy={stale}
    >
      <figcaption style={{ fontSize: 13, color: '#3a4741', marginBottom: 4 }}>
        Light <span style={{ color: '#8a5f12', fontWeight: 600 }}>━ % of full</span>
        {hasVolts && (
          <>
            {' '}
            and reservoir <span style={{ color: palette.moss, fontWeight: 600 }}>┅ volts</span>
          </>
        )}{' '}
        after the cut
      </figcaption>
      <ResponsiveContainer width="100%" height="100%" minHeight={220}>
        <LineChart data={points} margin={{ top: 34, right: 12, bottom: 20, left: 0 }}>
          <CartesianGrid stroke="#e2d9c3" />
          <XAxis
            dataKey="seconds"
            type="number"
            domain={[0, end]}
            tickFormatter={(t: number) => t.toFixed(end < 2 ? 1 : 0)}
            tickCount={7}
            stroke="#56625b"
            label={{
              value: 'seconds after the cut',
              position: 'insideBottom',
              offset: -12,
              fill: '#3a4741',
              fontSize: 13,
            }}
          />
          <YAxis
            yAxisId="light"
            domain={[0, 100]}
            ticks={[0, 25, 50, 75, 100]}
            allowDataOverflow
            stroke="#8a5f12"
            unit=" %"
            width={62}
          />
          {hasVolts && (
            <YAxis
              yAxisId="volts"
              orientation="right"
              domain={[0, topVolts]}
              stroke={palette.moss}
              unit=" V"
              width={48}
            />
          )}
          {cut.moments.map((m, i) =>
            m === null || m > end ? null : (
              <ReferenceLine
                key={fades[i].name}
                yAxisId="light"
                x={m}
                stroke={palette.danger}
                strokeDasharray="3 4"
                label={{
                  value: `${shareName[i]} ${formatQuantity(m, 'second')}`,
                  position: i === 2 ? 'insideTopRight' : 'insideTopLeft',
                  dy: -26 + (i === 1 ? 13 : 0),
                  fill: '#a33522',
                  fontSize: 12,
                }}
              />
            ),
          )}
          <Tooltip
            formatter={(value, name) =>
              name === 'light'
                ? [`${Number(value).toFixed(1)} %`, 'light']
                : [formatQuantity(Number(value), 'volt'), 'reservoir']
            }
            labelFormatter={(t) => `after ${formatQuantity(Number(t), 'second')}`}
          />
          <Line
            yAxisId="light"
            dataKey="light"
            stroke={palette.brass}
            strokeWidth={2.6}
            dot={false}
            isAnimationActive={false}
            type="linear"
          />
          {hasVolts && (
            <Line
              yAxisId="volts"
              dataKey="volts"
              stroke={palette.moss}
              strokeWidth={2}
              strokeDasharray="7 4"
              dot={false}
              isAnimationActive={false}
              type="linear"
            />
          )}
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
}
