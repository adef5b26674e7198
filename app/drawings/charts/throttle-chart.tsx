import { lightScale } from './light-scale';
import { LineChart } from './line-chart';
import { SHOWN } from '../../../core/light/lamp-light';
import { lampNamesOf } from '../../../core/study/lamp-names';
import { screenColour } from '../../../core/light/colour';
import { palette } from '../../theme/palette';
import type { ThrottleSweep } from '../../../core/study/throttle-sweep';
import type { Layout } from '../../../core/document/layout';

interface ThrottleChartProps {
  readonly layout: Layout;
  readonly jobId: string;
  readonly sweep: ThrottleSweep;
  readonly throttle: number;
}

const levels = [
  { at: SHOWN.shows, says: 'shows' },
  { at: SHOWN.good, says: 'good' },
  { at: SHOWN.bright, says: 'bright' },
];
/** Line colours that stand out on paper, by what the lamp shines. */
const onPaper = (hex: string): string => {
  const [r, g, b] = [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16));
  if (r > 180 && g < 110) return '#a33522';
  if (g > r && g > b) return palette.moss;
  return '#8a5f12';
};

/** Light of the lamps from full reverse to full forward, like ones as one line, beside the old bulb. */
export function ThrottleChart({ layout, jobId, sweep, throttle }: ThrottleChartProps) {
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
  const says = (v: number): string => `${v.toFixed(0)} of 100`;
  return (
    <LineChart
      label="Light of the lamps from full reverse to full forward"
      legend={
        <>
          {list.map((c, k) => (
            <b key={c.names.join()} style={{ color: c.colour }}>
              {k % 2 === 0 ? '━' : '┅'} {namesOf(c.names)}
            </b>
          ))}
          <b style={{ color: '#56625b' }}>━ the old bulb</b>
        </>
      }
      along="throttle: reverse to the left, forward to the right"
      x={sweep.throttles.map((t) => 100 * t)}
      domain={[-100, 100]}
      ticks={[-100, -50, 0, 50, 100]}
      saysX={(t) => `${Math.round(t)} %`}
      curves={[
        { name: 'the old bulb', colour: palette.steel, values: sweep.bulb, says },
        ...list.map((c, k) => ({
          name: namesOf(c.names),
          colour: c.colour,
          dashed: k % 2 === 1,
          values: c.light,
          says,
        })),
      ]}
      left={{ ...lightScale, says: String, colour: '#56625b' }}
      levels={levels}
      now={100 * throttle}
    />
  );
}

/** "Headlight A left and 3 more". */
const namesOf = (names: readonly string[]): string =>
  names.length > 2 ? `${names[0]} and ${names.length - 1} more` : names.join(', ');
