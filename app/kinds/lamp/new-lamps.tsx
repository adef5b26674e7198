import { useState } from 'react';
import { lampTypes } from '../../../core/document/lamp-type';
import { hookUps, type HookUpName } from '../../../core/document/scenery-record';
import { newLamps } from '../../../core/kinds/lamp/make';
import { fittingSorts, type FittingSortName } from '../../../core/part/lamp-fitting';
import { Choice } from '../../fields/choice';
import { CountField } from '../../fields/count-field';
import { SelectField } from '../../fields/select-field';
import { Begin } from '../../panels/begin';
import { scenerySupplies, sceneryVariants } from '../../panels/scenery/supplies';
import type { Layout } from '../../../core/document/layout';

/** Lamps that are meant to be looked at begin red. */
const usualPart = (sort: FittingSortName): string => (sort === 'buffer-stop' ? 'red' : 'white-warm');

/** Few questions, and a row of lamps stands to scale, lit and sized. */
export function NewLamps({ layout }: { readonly layout: Layout }) {
  const [sort, setSort] = useState<FittingSortName>('mast');
  const [lamps, setLamps] = useState<number | null>(null);
  const [part, setPart] = useState<string | null>(null);
  const [joined, setJoined] = useState<HookUpName | null>(null);
  const count = lamps ?? (fittingSorts[sort].toBeSeen ? 1 : 6);
  return (
    <Begin
      layout={layout}
      usualName={fittingSorts[sort].row}
      supplies={scenerySupplies}
      variants={sceneryVariants}
      prefersFirst
      make={(name, supply) => {
        const kind = 'id' in supply ? layout.supplies[supply.id].kind : supply.kind;
        return newLamps(layout, {
          sort,
          name,
          lamps: count,
          part: part ?? usualPart(sort),
          supply,
          hookUp: joined ?? (kind === 'accessory-output' ? 'output' : 'rail'),
        });
      }}
      before={
        <>
          <Choice<FittingSortName>
            label="What sort of lamp?"
            columns={3}
            options={Object.values(fittingSorts).map((s) => ({ value: s.id, name: s.name, figure: s.says }))}
            value={sort}
            onChoose={setSort}
          />
          <div className="two-fields">
            <CountField label="How many" count={count} least={1} most={60} onCommit={setLamps} />
            <SelectField
              label="Which"
              value={part ?? usualPart(sort)}
              options={lampTypes(layout).map((l) => ({ value: l.id, label: l.name }))}
              onChange={setPart}
            />
          </div>
        </>
      }
      after={(kind) => (
        <Choice<HookUpName>
          label="Joined by"
          columns={5}
          options={(Object.keys(hookUps) as HookUpName[]).map((id) => ({
            value: id,
            name: hookUps[id].name,
          }))}
          value={joined ?? (kind === 'accessory-output' ? 'output' : 'rail')}
          onChoose={setJoined}
        />
      )}
    />
  );
}
