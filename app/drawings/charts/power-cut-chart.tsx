import { scaleLinear } from 'd3-scale';
import { formatQuantity } from '../../../core/quantity/format';
import { fades, type PowerCutStudy } from '../../../core/study/power-cut';
import { shareName } from '../../panels/try/share-name';
import { palette } from '../../theme/palette';
import { LIGHT_ON_PAPER, lightScale } from './light-scale';
import { LineChart, type Curve } from './line-chart';

interface PowerCutChartProps {
  readonly cut: PowerCutStudy;
  readonly stale: boolean;
}

const seconds = (t: number): string => formatQuantity(t, 'second', { significant: 3 });

/** Lamp light and reservoir voltage after the power is cut, with the moments at which the eye takes notice. */
export function PowerCutChart({ cut, stale }: PowerCutChartProps) {
  const dark = cut.moments[2] ?? null;
  const end = dark === null ? cut.seconds[cut.seconds.length - 1] : Math.max(0.1, dark * 1.15);
  const hasVolts = cut.reservoirVolts.length > 0;
  const topVolts = Math.ceil(Math.max(1, ...cut.reservoirVolts) * 1.05);
  const curves: Curve[] = [
    {
      name: 'light',
      colour: palette.brass,
      values: cut.light.map((l) => 100 * l),
      says: (v) => `${v.toFixed(1)} %`,
    },
    ...(hasVolts
      ? [
          {
            name: 'reservoir',
            colour: palette.moss,
            dashed: true,
            side: 'right' as const,
            values: cut.reservoirVolts,
            says: (v: number) => formatQuantity(v, 'volt'),
          },
        ]
      : []),
  ];
  return (
    <LineChart
      label="Light and reservoir volts after the power is cut"
      legend={
        <span>
          Light <b style={{ color: LIGHT_ON_PAPER }}>━ % of full</b>
          {hasVolts && (
            <>
              {' '}
              and reservoir <b style={{ color: palette.moss }}>┅ volts</b>
            </>
          )}{' '}
          after the cut
        </span>
      }
      along="after the cut"
      x={cut.seconds}
      domain={[0, end]}
      saysX={seconds}
      curves={curves}
      left={lightScale}
      right={
        hasVolts
          ? {
              domain: [0, topVolts],
              ticks: scaleLinear([0, topVolts], [0, 1]).ticks(4),
              says: (v) => `${v} V`,
              colour: palette.moss,
            }
          : undefined
      }
      marks={cut.moments.flatMap((m, i) =>
        m === null || m > end || i >= fades.length ? [] : [{ at: m, says: `${shareName[i]} ${seconds(m)}` }],
      )}
      stale={stale}
    />
  );
}
