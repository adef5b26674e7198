import { useState } from 'react';
import { Choice } from '../../fields/choice';
import { NumberField } from '../../fields/number-field';
import { Begin } from '../../panels/begin';
import { wantedWords } from '../../../core/light/wanted';
import { formatQuantity } from '../../../core/quantity/format';
import { prototypeMetres } from '../../../core/quantity/scale';
import { coachSorts, newCoach, usualLength, type CoachSort } from '../../../core/kinds/coach/make';
import type { Layout } from '../../../core/document/layout';

/** Few questions, and a coach laid out and sized from them. */
export function NewCoach({ layout }: { readonly layout: Layout }) {
  const [sort, setSort] = useState<CoachSort>('open');
  const [length, setLength] = useState<number | null>(null);
  const [lux, setLux] = useState(110);
  const lengthMillimetres = length ?? usualLength(sort, layout);
  return (
    <Begin
      layout={layout}
      usualName={coachSorts.find((s) => s.id === sort)!.name}
      supplies={['dcc-track', 'dc-track', 'ac-track', 'layout-bus', 'cell']}
      make={(name, supply) => newCoach(layout, { sort, name, lengthMillimetres, wantedLux: lux, supply })}
      before={
        <Choice<CoachSort>
          label="What is it?"
          columns={4}
          options={coachSorts.map((s) => ({
            value: s.id,
            name: s.name,
            figure: `${usualLength(s.id, layout)} mm`,
          }))}
          value={sort}
          onChoose={(s) => {
            setSort(s);
            setLength(null);
          }}
        />
      }
      after={() => (
        <>
          <Choice<string>
            label="How bright?"
            columns={6}
            options={wantedWords.map((w) => ({
              value: String(w.lux),
              name: w.name,
              figure: formatQuantity(w.lux, 'lux'),
            }))}
            value={String(lux)}
            onChoose={(w) => setLux(Number(w))}
          />
          <NumberField
            key={sort}
            label="Length of the body"
            unit="millimetre"
            figure={lengthMillimetres}
            limits={{ least: 30, most: 1500, range: '30 mm to 1500 mm' }}
            aside={`${prototypeMetres(lengthMillimetres, layout.scale).toFixed(1)} m`}
            onCommit={setLength}
          />
        </>
      )}
    />
  );
}
