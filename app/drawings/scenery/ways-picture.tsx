import { Button } from 'antd';
import { hookUps } from '../../../core/document/scenery-record';
import { formatQuantity } from '../../../core/quantity/format';
import { FigureTable } from '../../fields/figure-table';
import { useLayoutStore } from '../../store/layout-store';
import { useStudy } from '../../workers/use-study';
import type { HookUpWay } from '../../../core/study/hook-up-ways';
import type { Patch } from '../../../core/document/patch';
import type { PictureProps } from '../../kinds/face';

/** What happens when the one thing that limits a lamp is forgotten, in a few words. */
function forgets({ name, forgottenAmps, bearsAmps }: HookUpWay): string {
  if (name === 'hub') return 'nothing: resistors are on the hub';
  if (name === 'board') return 'nothing: resistors are on the board';
  if (forgottenAmps === null) return 'nothing loose limits it';
  const amps = formatQuantity(forgottenAmps, 'amp', { significant: 2 });
  return `no resistor: ${amps}${forgottenAmps > bearsAmps ? ', it burns' : ''}`;
}

/** The ways of joining the same lamps, side by side, each solved. */
export function WaysPicture({ layout, jobId }: PictureProps) {
  const apply = useLayoutStore((s) => s.apply);
  const ways = useStudy('hookUpWays', layout, { jobId }, 'slow');
  if (!ways.answer) return <p className="stale-note">{ways.failure ?? 'Being worked out…'}</p>;
  const money = (figure: number): string => `${figure.toFixed(2)} ${layout.currency}`;
  return (
    <div className="compare">
      <FigureTable<HookUpWay>
        label="Ways of joining side by side"
        rows={ways.answer}
        rowKey={(w) => w.name}
        stale={ways.stale}
        mark={(w) => (w.now ? 'in-force' : '')}
        columns={[
          ['Joined by', (w) => hookUps[w.name].name],
          ['In a lamp', (w) => formatQuantity(w.lampAmps, 'amp', { significant: 2 })],
          ['All', (w) => money(w.cost), (w) => w.cost],
          ['Each', (w) => money(w.costPerLamp), (w) => w.costPerLamp],
          ['To solder', (w) => `${w.joints}`, (w) => w.joints],
          [
            'Room for',
            (w) => `${w.roomFor} more${w.fullBecause === 'supply' ? ', by the supply' : ''}`,
            (w) => -w.roomFor,
          ],
          ['If forgotten', forgets],
          [
            '',
            (w) =>
              w.now ? (
                'as it stands'
              ) : w.tooFewVolts ? (
                'too few volts'
              ) : w.patches === null ? (
                'wants an accessory board'
              ) : (
                <Button
                  size="small"
                  disabled={ways.stale}
                  onClick={() => apply(`Joined by: ${hookUps[w.name].name}`, w.patches as Patch[])}
                >
                  Join it so
                </Button>
              ),
          ],
        ]}
      />
      <p className="hint">
        Prices of what joins them are common practice, no source; your drawer’s own prices go before. Every
        way is solved for the light the lamps have now.
      </p>
    </div>
  );
}
