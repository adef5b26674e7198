import { Button, Skeleton } from 'antd';
import { useState } from 'react';
import { inOrder } from '../../../core/document/in-order';
import { SEEN_COLOUR } from '../../../core/light/difference';
import { mixRows, wantedOf } from '../../../core/overhead/better-mix';
import { formatQuantity } from '../../../core/quantity/format';
import { FigureTable } from '../../fields/figure-table';
import { NumberField } from '../../fields/number-field';
import { useLayoutStore } from '../../store/layout-store';
import { useStudy } from '../../workers/use-study';
import type { Layout } from '../../../core/document/layout';

interface BetterMixOfProps {
  readonly layout: Layout;
  readonly rigId: string;
}

const percent = (share: number): string => (share > 0 ? `${Math.round(100 * share)} %` : 'off');

/** What the rows that are there give when they are dimmed for a white: nearer to it than they are now. */
export function BetterMixOf({ layout, rigId }: BetterMixOfProps) {
  const edit = useLayoutStore((s) => s.edit);
  const rig = layout.rigs[rigId];
  const [typed, setTyped] = useState<number | null>(null);
  const usual = wantedOf(rig);
  const wanted = { ...usual, kelvin: typed ?? usual.kelvin };
  const found = useStudy('betterMix', layout, { rigId, wanted }, 'slow');
  const mix = found.answer;
  return (
    <section aria-label="A better mix">
      <h3 className="part-head">A better mix of the rows there are</h3>
      <div className="rig-beside">
        <NumberField
          label="The white that is wanted"
          unit="kelvin"
          figure={wanted.kelvin}
          significant={5}
          limits={{ least: 2000, most: 8000 }}
          onCommit={setTyped}
        />
      </div>
      {found.failure && <p className="field-refusal">{found.failure}</p>}
      {!found.failure && mix === null && found.stale && <Skeleton active />}
      {mix && !mix.isBetter && (
        <p className={found.stale ? 'stale' : undefined}>
          The rows are {mix.awayNow.toFixed(4)} from it in u′v′
          {mix.awayNow <= SEEN_COLOUR ? ', which no eye sees' : ''}; no other mix of them comes nearer to it.
        </p>
      )}
      {mix?.isBetter && (
        <div className={found.stale ? 'stale' : undefined}>
          <p>
            Dimmed so they give <b>{formatQuantity(mix.lux, 'lux', { significant: 3 })}</b> of{' '}
            <b>{Math.round(mix.white.kelvin / 10) * 10} K</b>, {mix.away.toFixed(4)} from it in u′v′
            {mix.away <= SEEN_COLOUR ? ', which no eye sees' : ''}; now it is {mix.awayNow.toFixed(4)}.
          </p>
          <FigureTable
            label="Rows of the better mix"
            rows={inOrder(rig.rows).filter((r) => mix.levels.has(r.id))}
            rowKey={(r) => r.id}
            columns={[
              ['Row', (r) => r.name],
              ['White', (r) => `${Math.round(r.kelvin)} K`],
              ['Now', (r) => percent(r.on ? r.level : 0)],
              ['Then', (r) => percent(mix.levels.get(r.id)!)],
            ]}
          />
          <Button
            disabled={found.stale}
            onClick={() => edit('Rows mixed for a white', (draft) => mixRows(draft.rigs[rigId], mix.levels))}
          >
            Dim the rows so
          </Button>
        </div>
      )}
    </section>
  );
}
