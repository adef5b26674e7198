import { scaleLinear } from 'd3-scale';
import { groundPool } from '../../../core/study/pools';
import { GAP_LIGHTNESS } from '../../../core/finding/dark-gap';
import { formatQuantity } from '../../../core/quantity/format';
import { LIGHT_ON_PAPER } from '../charts/light-scale';
import { LineChart } from '../charts/line-chart';
import type { PictureProps } from '../../kinds/face';

const lux = (figure: number): string => formatQuantity(figure, 'lux', { significant: 2 });
const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 3 });

/** Light on the ground below the lamps, in lux over distance, with the dark gaps between them. */
export function PoolPicture({ solved }: PictureProps) {
  if (!solved.readings) return <p className="stale-note">{solved.failure ?? 'Being worked out…'}</p>;
  const pool = groundPool(solved.bench, solved.readings);
  if (!pool) return <p className="stale-note">Nothing shines on the ground.</p>;
  const top = pool.mostLux * 1.1;
  const dark = pool.gaps.filter((g) => g.lightness < GAP_LIGHTNESS);
  const worst = dark.reduce<(typeof dark)[number] | null>(
    (w, g) => (w && w.leastLux <= g.leastLux ? w : g),
    null,
  );
  return (
    <LineChart
      label="Light on the ground"
      legend={
        <span>
          Light on the ground <b style={{ color: LIGHT_ON_PAPER }}>━ lux</b> along the lamps; the most is{' '}
          {lux(pool.mostLux)}, half of a lamp’s light reaches {mm(pool.halfMillimetres / 2)} from its foot
          {dark.length > 0 && `; ${dark.length} dark ${dark.length === 1 ? 'gap' : 'gaps'}`}
        </span>
      }
      along="millimetres along the row"
      x={pool.along}
      domain={[pool.along[0], pool.along[pool.along.length - 1]]}
      saysX={mm}
      curves={[{ name: 'light', colour: LIGHT_ON_PAPER, values: pool.lux, says: lux }]}
      left={{
        domain: [0, top],
        ticks: scaleLinear([0, top], [0, 1]).ticks(4),
        says: lux,
        colour: LIGHT_ON_PAPER,
      }}
      marks={worst ? [{ at: worst.at, says: `darkest between, ${lux(worst.leastLux)}` }] : []}
    />
  );
}
