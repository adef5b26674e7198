import { Select } from 'antd';
import { useState } from 'react';
import { inOrder } from '../../../core/document/in-order';
import { ShoppingTable } from '../../drawings/build/lists-picture';
import { Field } from '../../fields/field';
import { useStudy } from '../../workers/use-study';
import type { Layout } from '../../../core/document/layout';

/** What to get for the whole layout, a train, or chosen jobs. */
export function Shopping({ layout }: { readonly layout: Layout }) {
  const all = inOrder(layout.jobs).map((j) => j.id);
  const [chosen, setChosen] = useState<readonly string[] | null>(null);
  const jobIds = (chosen ?? all).filter((id) => Object.hasOwn(layout.jobs, id));
  const { answer, failure, stale } = useStudy('shopping', layout, { jobIds });
  const sets = inOrder(layout.trains).map((t) => ({
    value: `train ${t.id}`,
    label: t.name,
    jobs: [...new Set(inOrder(t.cars).map((c) => c.jobId))],
  }));
  return (
    <section>
      <h2>What to get</h2>
      <Field label="For these jobs">
        {({ id }) => (
          <Select
            id={id}
            mode="multiple"
            className="select"
            value={[...jobIds]}
            options={[
              { label: 'Trains', options: sets.map(({ value, label }) => ({ value, label })) },
              { label: 'Jobs', options: all.map((j) => ({ value: j, label: layout.jobs[j].name })) },
            ]}
            onChange={(values: string[]) => {
              const train = sets.find((s) => values.includes(s.value));
              // A train chosen stands for what it is made of.
              setChosen(train ? train.jobs : values);
            }}
          />
        )}
      </Field>
      {failure && <p className="field-refusal">{failure}</p>}
      {answer ? (
        <ShoppingTable list={answer} currency={layout.currency} name="layout" stale={stale} />
      ) : (
        !failure && <p className="stale-note">Being counted…</p>
      )}
    </section>
  );
}
