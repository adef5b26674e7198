import { Button, Empty, Input } from 'antd';
import { useMemo, useState } from 'react';
import { inOrder } from '../../../core/document/in-order';
import { needsOf } from '../../../core/build/lists/needs';
import { putStock, stockRows, type StockRow } from '../../../core/build/lists/stock-csv';
import { stockOf } from '../../../core/study/stock';
import { ratedVoltsSold } from '../../../core/part/electrolytic';
import { resistorBodies, wattsName } from '../../../core/part/resistor';
import { formatQuantity, shortOhms } from '../../../core/quantity/format';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { TextField } from '../../fields/text-field';
import { More } from '../../fields/more';
import { useLayoutStore } from '../../store/layout-store';
import { StockCount } from './stock-count';
import { StockFile } from './stock-file';
import type { Layout } from '../../../core/document/layout';

interface SectionProps {
  readonly layout: Layout;
}

/** Orders the list can be looked through in. */
const orders = {
  sort: { name: 'sort', compare: () => 0 },
  name: { name: 'name', compare: (a: StockRow, b: StockRow) => inWords.compare(a.name, b.name) },
  fewest: { name: 'fewest first', compare: (a: StockRow, b: StockRow) => a.count - b.count },
  place: { name: 'where it is kept', compare: (a: StockRow, b: StockRow) => inWords.compare(a.kept, b.kept) },
} as const;
const inWords = new Intl.Collator('en', { numeric: true });

/** Everything in the drawer: counted, priced, with where it is kept; looked through by any word of it. */
export function StockList({ layout }: SectionProps) {
  const [asked, setAsked] = useState('');
  const [order, setOrder] = useState<keyof typeof orders>('sort');
  const edit = useLayoutStore((s) => s.edit);
  const words = asked.toLowerCase().split(/\s+/).filter(Boolean);
  const rows = stockRows(layout)
    .filter((r) => words.every((w) => `${r.name} ${r.kept} ${r.key}`.toLowerCase().includes(w)))
    .toSorted(orders[order].compare);
  /** Changes one thing of a part, whatever else of it has changed since it was drawn. */
  const put = (row: StockRow, changed: Partial<StockRow>, label: string): void =>
    edit(label, (draft) => {
      const now = stockRows(draft as Layout).find((r) => r.key === row.key) ?? row;
      putStock(draft, { ...now, ...changed });
    });
  return (
    <section className="stock-list">
      <h2>What there is</h2>
      <Input.Search
        allowClear
        aria-label="Look for a part, a value or a place"
        placeholder="470, reservoir, left drawer"
        value={asked}
        onChange={(e) => setAsked(e.target.value)}
      />
      {rows.length > 1 && (
        <SelectField<keyof typeof orders>
          label="Ordered by"
          value={order}
          options={(Object.keys(orders) as (keyof typeof orders)[]).map((id) => ({
            value: id,
            label: orders[id].name,
          }))}
          onChange={setOrder}
        />
      )}
      {rows.length > 0 && (
        <div className="stock-head" aria-hidden="true">
          <span>Part</span>
          <span>Count</span>
          <span>Price, {layout.currency}</span>
          <span>Kept</span>
        </div>
      )}
      <ul className="stock">
        {rows.map((r) => (
          <li key={r.key}>
            <b>{r.name}</b>
            <StockCount row={r} onPut={(changed) => put(r, changed, 'Stock')} />
            <TextField
              label={`Where ${r.name} is kept`}
              text={r.kept}
              most={60}
              onCommit={(kept) => put(r, { kept }, 'Where it is kept')}
            />
            <Button
              size="small"
              aria-label={`Take ${r.name} out of the drawer`}
              onClick={() =>
                edit('Stock', (draft) => {
                  for (const { from, id } of stockOf(layout, r.key))
                    Reflect.deleteProperty(draft.drawer[from], id);
                })
              }
            >
              ×
            </Button>
          </li>
        ))}
      </ul>
      {rows.length === 0 && (
        <Empty
          description={asked === '' ? 'Nothing yet. Put in what you have most of.' : 'Nothing of that name.'}
        />
      )}
      <More label="Put something in" open={stockRows(layout).length === 0}>
        <PutResistor layout={layout} />
        <PutReservoir layout={layout} />
        <PutNeeded layout={layout} />
      </More>
      <StockFile layout={layout} />
    </section>
  );
}

function PutResistor({ layout }: SectionProps) {
  const edit = useLayoutStore((s) => s.edit);
  const [ohms, setOhms] = useState(1000);
  const [watts, setWatts] = useState<number>(resistorBodies[1].watts);
  const key = `resistor:${ohms}:${watts}`;
  const row: StockRow = {
    key,
    name: `Resistor ${shortOhms(ohms)} ${wattsName(watts)}`,
    count: 10,
    price: 0.05,
    kept: '',
  };
  return (
    <div className="add-row three">
      <NumberField
        label="Another resistor"
        unit="ohm"
        figure={ohms}
        limits={{ least: 0.1, most: 1e7, range: '0.1 Ω to 10 MΩ' }}
        onCommit={setOhms}
      />
      <SelectField<number>
        label="Wattage"
        value={watts}
        options={resistorBodies.map((b) => ({ value: b.watts as number, label: b.name }))}
        onChange={setWatts}
      />
      <Button
        type="primary"
        disabled={stockOf(layout, key).length > 0}
        onClick={() => edit(`${row.name} into the drawer`, (draft) => putStock(draft, row))}
      >
        Put in 10
      </Button>
    </div>
  );
}

function PutReservoir({ layout }: SectionProps) {
  const edit = useLayoutStore((s) => s.edit);
  const [farads, setFarads] = useState(470e-6);
  const [volts, setVolts] = useState<number>(25);
  const key = `reservoir:${farads}:${volts}`;
  const name = `Reservoir ${formatQuantity(farads, 'farad')} ${formatQuantity(volts, 'volt')}`;
  return (
    <div className="add-row three">
      <NumberField
        label="Another reservoir"
        unit="farad"
        figure={farads}
        limits={{ least: 1e-9, most: 0.5, range: '1 nF to 0.5 F' }}
        onCommit={setFarads}
      />
      <SelectField<number>
        label="Rated"
        value={volts}
        options={ratedVoltsSold.map((v) => ({ value: v as number, label: formatQuantity(v, 'volt') }))}
        onChange={setVolts}
      />
      <Button
        type="primary"
        disabled={stockOf(layout, key).length > 0}
        onClick={() =>
          edit(`${name} into the drawer`, (draft) =>
            putStock(draft, { key, name, count: 1, price: 0.4, kept: '' }),
          )
        }
      >
        Put in 1
      </Button>
    </div>
  );
}

/** Lamps, rectifiers, wire, boards and sundries: whatever a job of the layout takes and the drawer does not know yet. */
function PutNeeded({ layout }: SectionProps) {
  const edit = useLayoutStore((s) => s.edit);
  const [chosen, setChosen] = useState<string>();
  const offered = useMemo(() => {
    try {
      return needsOf(
        layout,
        inOrder(layout.jobs).map((j) => j.id),
      ).filter((n) => stockOf(layout, n.key).length === 0);
    } catch {
      // A job that cannot be laid out says so where it is drawn.
      return [];
    }
  }, [layout]);
  const need = offered.find((n) => n.key === chosen);
  if (offered.length === 0) return null;
  return (
    <div className="add-row">
      <SelectField<string>
        label="Something else that jobs take"
        value={need?.key}
        placeholder="Lamps, rectifiers, wire …"
        options={offered.map((n) => ({ value: n.key, label: n.name }))}
        onChange={setChosen}
      />
      <Button
        type="primary"
        disabled={!need}
        onClick={() =>
          need &&
          edit(`${need.name} into the drawer`, (draft) =>
            putStock(draft, {
              key: need.key,
              name: need.name,
              count: Math.ceil(need.count),
              price: Number(need.priceEach.toFixed(2)),
              kept: '',
            }),
          )
        }
      >
        Put in {need ? Math.ceil(need.count) : ''}
      </Button>
    </div>
  );
}
