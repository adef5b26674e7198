import { scaleLinear } from 'd3-scale';
import { shareName } from '../../panels/try/share-name';
import { palette } from '../../theme/palette';
import { LIGHT_ON_PAPER, lightScale } from './light-scale';
import { LineChart } from './line-chart';
import type { CellLifeStudy } from '../../../core/study/cell-life';

interface CellLifeChartProps {
  readonly life: CellLifeStudy;
  readonly stale: boolean;
}

const hours = (t: number): string => `${Number(t.toPrecision(3))} h`;
const milliamps = (v: number): string => `${Number(v.toPrecision(2))} mA`;

/** Light and current while the cell empties. */
export function CellLifeChart({ life, stale }: CellLifeChartProps) {
  const amps = life.amps.map((a) => 1e3 * a);
  const top = Math.max(...amps) * 1.1;
  return (
    <LineChart
      label="Light and current while the cell empties"
      legend={
        <span>
          Light <b style={{ color: LIGHT_ON_PAPER }}>━ % of a fresh cell’s</b> and current{' '}
          <b style={{ color: palette.moss }}>┅ milliamps</b> while it empties
        </span>
      }
      along="hours of light"
      x={life.hours}
      domain={[0, life.lastHours * 1.04]}
      saysX={hours}
      curves={[
        {
          name: 'light',
          colour: palette.brass,
          values: life.light.map((l) => 100 * l),
          says: (v) => `${v.toFixed(0)} %`,
        },
        { name: 'current', colour: palette.moss, dashed: true, side: 'right', values: amps, says: milliamps },
      ]}
      left={lightScale}
      right={{
        domain: [0, top],
        ticks: scaleLinear([0, top], [0, 1]).ticks(4),
        says: milliamps,
        colour: palette.moss,
      }}
      marks={life.moments.flatMap((m, i) =>
        m === null ? [] : [{ at: m, says: `${shareName[i]} ${Number(m.toPrecision(2))} h` }],
      )}
      stale={stale}
    />
  );
}
