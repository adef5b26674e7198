import { useState } from 'react';
import { newSignal } from '../../../core/kinds/signal/make';
import { practiceOf, practices, signalForms, type PracticeName } from '../../../core/kinds/signal/practices';
import { Choice } from '../../fields/choice';
import { Begin } from '../../panels/begin';
import { CommonChoice, DriverChoice } from '../../panels/driven/begin-choices';
import { drivenSupplies, drivenVariants } from '../../panels/driven/supplies';
import type { DriverKindName } from '../../../core/supply/drivers';
import type { Layout } from '../../../core/document/layout';

/** Few questions, and a signal stands to scale and shows its first aspect. */
export function NewSignal({ layout }: { readonly layout: Layout }) {
  const [practice, setPractice] = useState<PracticeName>('two-aspect');
  const [driver, setDriver] = useState<DriverKindName>('contacts');
  const [common, setCommon] = useState<'anode' | 'cathode'>('anode');
  const { form } = practiceOf(practice);
  return (
    <Begin
      layout={layout}
      usualName="Signal"
      supplies={drivenSupplies}
      variants={drivenVariants}
      prefersFirst
      make={(name, supply) => newSignal(layout, { practice, name, supply, driver, common })}
      before={
        <Choice<PracticeName>
          label="What does it show?"
          columns={3}
          options={(Object.keys(practices) as PracticeName[]).map((id) => ({
            value: id,
            name: practices[id].name,
            figure: signalForms[practices[id].form].name.toLowerCase(),
          }))}
          value={practice}
          onChoose={setPractice}
        />
      }
      after={() =>
        form === 'semaphore' ? null : (
          <>
            <DriverChoice columns={3} value={driver} onChoose={setDriver} />
            <CommonChoice value={common} onChoose={setCommon} />
          </>
        )
      }
    />
  );
}
