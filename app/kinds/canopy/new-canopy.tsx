import { useState } from 'react';
import { lampTypes } from '../../../core/document/lamp-type';
import { newCanopy } from '../../../core/kinds/canopy/make';
import { Choice } from '../../fields/choice';
import { CountField } from '../../fields/count-field';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { Begin } from '../../panels/begin';
import { scenerySupplies, sceneryVariants } from '../../panels/scenery/supplies';
import type { Layout } from '../../../core/document/layout';

/** Few questions, and a roof is lit by a string on one side or both. */
export function NewCanopy({ layout }: { readonly layout: Layout }) {
  const [sides, setSides] = useState<'one' | 'both'>('both');
  const [lamps, setLamps] = useState(8);
  const [part, setPart] = useState('white-warm');
  const [length, setLength] = useState(400);
  return (
    <Begin
      layout={layout}
      usualName="Canopy"
      supplies={scenerySupplies}
      variants={sceneryVariants}
      prefersFirst
      make={(name, supply) => {
        const kind = 'id' in supply ? layout.supplies[supply.id].kind : supply.kind;
        return newCanopy(layout, {
          name,
          lengthMillimetres: length,
          near: lamps,
          far: sides === 'both' ? lamps : 0,
          part,
          supply,
          hookUp: kind === 'accessory-output' ? 'output' : 'strip',
        });
      }}
      before={
        <>
          <Choice<'one' | 'both'>
            label="Lit from"
            columns={2}
            options={[
              { value: 'both', name: 'Both sides', figure: 'joined by a hidden link' },
              { value: 'one', name: 'One side', figure: 'a single string' },
            ]}
            value={sides}
            onChoose={setSides}
          />
          <div className="two-fields">
            <CountField label="Lamps on a side" count={lamps} least={1} most={60} onCommit={setLamps} />
            <SelectField
              label="Which"
              value={part}
              options={lampTypes(layout).map((l) => ({ value: l.id, label: l.name }))}
              onChange={setPart}
            />
          </div>
        </>
      }
      after={() => (
        <NumberField
          label="Length of the roof"
          unit="millimetre"
          figure={length}
          limits={{ least: 30, most: 3000, range: '30 mm to 3 m' }}
          onCommit={setLength}
        />
      )}
    />
  );
}
