import { useState } from 'react';
import { lampTypes } from '../../../core/document/lamp-type';
import { displaySorts, newDisplayModel } from '../../../core/kinds/display-model/make';
import { Choice } from '../../fields/choice';
import { CountField } from '../../fields/count-field';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { Begin } from '../../panels/begin';
import type { DisplayShape } from '../../../core/kinds/display-model/record';
import type { Layout } from '../../../core/document/layout';

/** Few questions, and a display model laid out and sized from them. */
export function NewDisplayModel({ layout }: { readonly layout: Layout }) {
  const [shape, setShape] = useState<DisplayShape>('ship');
  const [length, setLength] = useState<number | null>(null);
  const [part, setPart] = useState('white-warm');
  const [lamps, setLamps] = useState(2);
  const sort = displaySorts.find((s) => s.id === shape)!;
  const lengthMillimetres = length ?? sort.millimetres;
  return (
    <Begin
      layout={layout}
      usualName={sort.name}
      supplies={['cell', 'layout-bus']}
      names={{
        cell: { name: 'Cells', says: 'three in the stand' },
        'layout-bus': { name: 'USB', says: '5 V' },
      }}
      make={(name, supply) =>
        newDisplayModel(layout, { shape, name, lengthMillimetres, part, lamps, supply })
      }
      before={
        <>
          <Choice<DisplayShape>
            label="What is it?"
            columns={4}
            options={displaySorts.map((s) => ({ value: s.id, name: s.name, figure: s.says }))}
            value={shape}
            onChoose={(s) => {
              setShape(s);
              setLength(null);
            }}
          />
          <div className="two-fields">
            <CountField label="Lamps" count={lamps} least={1} most={40} onCommit={setLamps} />
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
          key={shape}
          label="Length"
          unit="millimetre"
          figure={lengthMillimetres}
          limits={{ least: 20, most: 3000, range: '20 mm to 3 m' }}
          onCommit={setLength}
        />
      )}
    />
  );
}
