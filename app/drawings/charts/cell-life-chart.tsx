import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { CellLifeStudy } from '../../../core/study/cell-life';
import { shareName } from '../../panels/try/share-name';
import { palette } from '../../theme/palette';

interface CellLifeChartProps {
  readonly life: CellLifeStudy;
  readonly stale: boolean;
}

/** Light and current while the cell empties. */
export default function CellLifeChart({ life, stale }: CellLifeChartProps) {
  const points = life.hours.map((hours, i) => ({
    hours,
    light: 100 * life.light[i],
    milliamps: 1e3 * life.amps[i],
  }));
  const top = Math.max(...points.map((p) => p.milliamps)) * 1.1;
  return (
    <figure
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
        Light <span style={{ color: '#8a5f12', fontWeight: 600 }}>━ % of a fresh cell’s</span> and current{' '}
        <span style={{ color: palette.moss, fontWeight: 600 }}>┅ milliamps</span> while it empties
      </figcaption>
      <ResponsiveContainer width="100%" height="100%" minHeight={220}>
        <LineChart data={points} margin={{ top: 34, right: 12, bottom: 20, left: 0 }}>
          <CartesianGrid stroke="#e2d9c3" />
          <XAxis
            dataKey="hours"
            type="number"
            domain={[0, life.lastHours * 1.04]}
            allowDataOverflow
            tickFormatter={(t: number) => t.toFixed(0)}
            tickCount={7}
            stroke="#56625b"
            label={{
              value: 'hours of light',
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
            stroke="#8a5f12"
            unit=" %"
            width={62}
          />
          <YAxis
            yAxisId="amps"
            orientation="right"
            domain={[0, top]}
            tickFormatter={(t: number) => t.toPrecision(2)}
            stroke={palette.moss}
            unit=" mA"
            width={64}
          />
          {life.moments.map((m, i) =>
            m === null ? null : (
              <ReferenceLine
                key={shareName[i]}
                yAxisId="light"
                x={m}
                stroke={palette.danger}
                strokeDasharray="3 4"
                label={{
                  value: `${shareName[i]} ${Number(m.toPrecision(2))} h`,
                  position: i === 2 ? 'insideTopRight' : 'insideTopLeft',
                  dy: -26 + 13 * (i % 2),
                  fill: '#a33522',
                  fontSize: 12,
                }}
              />
            ),
          )}
          <Line
            yAxisId="light"
            dataKey="light"
            stroke={palette.brass}
            strokeWidth={2.4}
            dot={false}
            isAnimationActive={false}
          />
          <Line
            yAxisId="amps"
            dataKey="milliamps"
            stroke={palette.moss}
            strokeDasharray="6 4"
            strokeWidth={1.8}
            dot={false}
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
    </figure>
  );
}
