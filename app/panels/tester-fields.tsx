import { NumberField } from '../fields/number-field';
import { useLayoutStore } from '../store/layout-store';
import type { Layout } from '../../core/document/layout';

/** The person's own tester: a battery with a resistor in one lead. */
export function TesterFields({ tester }: { readonly tester: Layout['drawer']['tester'] }) {
  const edit = useLayoutStore((s) => s.edit);
  return (
    <div className="two-fields">
      <NumberField
        label="Battery"
        unit="volt"
        figure={tester.volts}
        limits={{ least: 1, most: 24, range: '1 to 24 V' }}
        onCommit={(v) => edit('Tester', (draft) => void (draft.drawer.tester.volts = v))}
      />
      <NumberField
        label="Its resistor"
        unit="ohm"
        figure={tester.ohms}
        limits={{ least: 1, most: 1e5, range: '1 Ω to 100 kΩ' }}
        onCommit={(ohms) => edit('Tester', (draft) => void (draft.drawer.tester.ohms = ohms))}
      />
    </div>
  );
}
