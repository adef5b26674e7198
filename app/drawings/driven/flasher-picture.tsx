import { Button } from 'antd';
import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import { formatQuantity } from '../../../core/quantity/format';
import { driverOf } from '../../../core/document/aspect-record';
import { CountField } from '../../fields/count-field';
import { FigureTable } from '../../fields/figure-table';
import { NumberField } from '../../fields/number-field';
import { useLayoutStore } from '../../store/layout-store';
import { palette } from '../../theme/palette';
import { useStudy } from '../../workers/use-study';
import { LineChart } from '../charts/line-chart';
import './aspects.css';
import type { FlasherParts } from '../../../core/study/flasher-search';
import type { Patch } from '../../../core/document/patch';
import type { PictureProps } from '../../kinds/face';

const milliamps = (v: number): string => `${Number(v.toPrecision(2))} mA`;
const seconds = (v: number): string => `${v.toFixed(1)} s`;
/** A rate and a current that are begun with. */
const USUAL = { perMinute: 45, amps: 5e-3 };

/** A two-transistor flasher run from the moment power comes on: how often, how evenly, and whether it starts. */
export function FlasherPicture({ layout, jobId, solved }: PictureProps) {
  const run = useStudy('flasher', layout, { jobId }, 'slow');
  const of = run.answer;
  if (!of) return <p className="stale-note">{run.failure ?? 'Being run…'}</p>;
  const amps = of.amps.map((curve) => curve.map((a) => 1e3 * a));
  const top = Math.max(0.1, ...amps[0], ...amps[1]) * 1.1;
  const end = of.seconds[of.seconds.length - 1];
  return (
    <>
      <LineChart
        label="Current of the two lamps of a flasher over time"
        legend={
          <span>
            {of.turn
              ? `${(60 / of.turn.seconds).toFixed(0)} flashes a minute, lit ${Math.round(100 * of.turn.share)} and ${Math.round(100 * (1 - of.turn.share))} % of the time; starts after ${formatQuantity(of.startSeconds ?? 0, 'second', { significant: 2 })}. By the usual sum (0.69 R C a half) ${(60 / of.byHandSeconds).toFixed(0)} a minute: lamp and junction take part of the swing the sum counts on.`
              : 'It does not throw over: see what needs attention.'}
          </span>
        }
        along="seconds after power comes on"
        x={of.seconds}
        domain={[0, end]}
        ticks={scaleLinear([0, end], [0, 1]).ticks(6)}
        saysX={seconds}
        curves={[
          { name: 'first', colour: palette.brass, values: amps[0], says: milliamps },
          { name: 'other', colour: palette.moss, dashed: true, values: amps[1], says: milliamps },
        ]}
        left={{
          domain: [0, top],
          ticks: scaleLinear([0, top], [0, 1]).ticks(4),
          says: milliamps,
          colour: palette.moss,
        }}
        stale={run.stale}
      />
      <Search layout={layout} jobId={jobId} now={driverOf(solved.bench.job)} />
    </>
  );
}

interface SearchProps extends Pick<PictureProps, 'layout' | 'jobId'> {
  readonly now: ReturnType<typeof driverOf>;
}

/** Parts for a wanted rate and current, from preferred values, each run. */
function Search({ layout, jobId, now }: SearchProps) {
  const apply = useLayoutStore((s) => s.apply);
  const [wish, setWish] = useState(USUAL);
  const found = useStudy('flasherParts', layout, { jobId, ...wish }, 'slow');
  const inForce = (p: FlasherParts): boolean =>
    now?.kind === 'flasher' && now.one.ohms === p.ohms && now.one.farads === p.farads;
  return (
    <div className="flasher-search">
      <div className="two-fields">
        <CountField
          label="Flashes a minute wanted"
          count={wish.perMinute}
          least={10}
          most={170}
          onCommit={(perMinute) => setWish({ ...wish, perMinute })}
        />
        <NumberField
          label="Current in each lamp"
          unit="amp"
          figure={wish.amps}
          limits={{ least: 2e-4, most: 0.03, range: '0.2 to 30 mA' }}
          onCommit={(amps) => setWish({ ...wish, amps })}
        />
      </div>
      {found.answer ? (
        <FigureTable<FlasherParts>
          label="Parts for the wanted rate"
          rows={found.answer}
          rowKey={(p) => `${p.ohms} ${p.farads}`}
          stale={found.stale}
          mark={(p) => (inForce(p) ? 'in-force' : '')}
          columns={[
            [
              'Base resistors',
              (p) => `${formatQuantity(p.ohms, 'ohm')} and ${formatQuantity(p.otherOhms, 'ohm')}`,
            ],
            ['Capacitors', (p) => formatQuantity(p.farads, 'farad')],
            ['Lamp resistor', (p) => formatQuantity(p.lampOhms, 'ohm')],
            ['As run', (p) => `${p.perMinute.toFixed(0)} a minute`],
            [
              '',
              (p) =>
                inForce(p) ? (
                  'as it stands'
                ) : (
                  <Button
                    size="small"
                    // Those of another wish cannot be taken for these.
                    disabled={found.stale}
                    onClick={() => apply('Parts of the flasher', p.patches as Patch[])}
                  >
                    Take these
                  </Button>
                ),
            ],
          ]}
        />
      ) : (
        <p className="stale-note">{found.failure ?? 'Being run…'}</p>
      )}
    </div>
  );
}
