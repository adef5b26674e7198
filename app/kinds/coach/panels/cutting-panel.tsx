import { FigureTable } from '../../../fields/figure-table';
import { CheckField } from '../../../fields/check-field';
import { Button, Progress } from 'antd';
import { useState } from 'react';
import { useLayoutStore } from '../../../store/layout-store';
import { useSearch } from '../../../workers/use-search';
import { cuttables, type CutOffer, type Cuttable } from '../../../../core/kinds/coach/cutting';
import type { Layout } from '../../../../core/document/layout';

/** What cutting would buy, half a millimetre at a time, and whether it is needed at all. */
export function CuttingPanel({ layout, jobId }: { readonly layout: Layout; readonly jobId: string }) {
  const apply = useLayoutStore((s) => s.apply);
  const search = useSearch('coach/cutting', layout, (l) => l.jobs[jobId]);
  const [lampsStay, setLampsStay] = useState(false);
  const found = search.answer;
  return (
    <section>
      <div className="place-search" data-testid="cutting">
        {search.share !== null ? (
          <>
            <Progress percent={Math.round(100 * search.share)} size="small" strokeColor="#3e5b4f" />
            <Button onClick={search.cancel}>Stop</Button>
          </>
        ) : found ? (
          <>
            <p>{found.least.says}</p>
            {found.least.patches.length > 0 && (
              <Button type="primary" onClick={() => void apply(found.least.says, found.least.patches)}>
                Do that
              </Button>
            )}
          </>
        ) : (
          <>
            <p>What would half a millimetre off seats, partitions or board buy?</p>
            <Button onClick={() => search.start(() => ({ jobId, lampsStay }))}>Work it out</Button>
          </>
        )}
      </div>
      {!found && (
        <CheckField
          label="The lamps stay where they are"
          checked={lampsStay}
          onChange={(on) => setLampsStay(on)}
        />
      )}
      {search.failure && <p className="field-refusal">{search.failure}</p>}
      {found &&
        (Object.keys(cuttables) as Cuttable[]).map((what) => (
          <Buys key={what} what={what} offers={found.offers.filter((o) => o.what === what)} />
        ))}
    </section>
  );
}

interface BuysProps {
  readonly what: Cuttable;
  readonly offers: readonly CutOffer[];
}

/** What each half millimetre off one thing buys; one line where it buys nothing. */
function Buys({ what, offers }: BuysProps) {
  if (offers.length === 0) return null;
  const { name, undone } = cuttables[what];
  const buys = offers.filter((o) => o.gains.length > 0 || o.becomesVisible.length > 0);
  const deepest = offers[offers.length - 1];
  if (buys.length === 0) {
    return (
      <p className="cut-none" data-cut={what}>
        <b>{name}:</b> up to {deepest.millimetres} mm off gives no room a tenth more light.
      </p>
    );
  }
  return (
    <div data-cut={what}>
      <p className="cut-head">
        <b>{name}</b> Undone by {undone}.
      </p>
      <FigureTable<CutOffer>
        label={name}
        rows={offers}
        rowKey={(o) => String(o.millimetres)}
        columns={[
          ['Off', (o) => `${o.millimetres} mm`],
          ['Gains light', gainWords],
          [
            'Then shows',
            (o) =>
              o.becomesVisible.length === 0 ? 'nothing' : o.becomesVisible.slice(0, NAMED_ROOMS).join(', '),
          ],
          ['Takes', (o) => `${o.minutes} min`],
        ]}
      />
    </div>
  );
}

const NAMED_ROOMS = 3;

function gainWords({ gains }: CutOffer): string {
  if (gains.length === 0) return 'no room by a tenth';
  const named = gains
    .slice(0, NAMED_ROOMS)
    .map((g) => `${g.name} ${g.share > 9 ? 'from dark' : `+${Math.round(100 * g.share)} %`}`)
    .join(', ');
  return gains.length > NAMED_ROOMS ? `${named} and ${gains.length - NAMED_ROOMS} more` : named;
}
