import { Button } from 'antd';
import { writeCsv } from '../../../core/build/lists/csv';
import { amountWords, priceWords } from '../../../core/build/sheet/tables';
import { FigureTable } from '../../fields/figure-table';
import { saveFile } from '../../storage/files';
import { useStudy } from '../../workers/use-study';
import type { Instead } from '../../../core/build/lists/instead';
import type { ShoppingLine, ShoppingList } from '../../../core/build/lists/shopping';
import type { PictureProps } from '../../kinds/face';
import './build.css';

/** What the job takes, what the drawer has of it, and what to get. */
export function ListsPicture({ layout, jobId }: PictureProps) {
  const { answer, failure, stale } = useStudy('shopping', layout, { jobIds: [jobId] });
  if (failure) return <p className="field-refusal">{failure}</p>;
  if (!answer) return <p className="stale-note">Being counted…</p>;
  return <ShoppingTable list={answer} currency={layout.currency} name={jobId} stale={stale} />;
}

interface ShoppingTableProps {
  readonly list: ShoppingList;
  readonly currency: string;
  /** What its file is called. */
  readonly name: string;
  readonly stale: boolean;
}

/** A shopping list, with what it costs. */
export function ShoppingTable({ list, currency, name, stale }: ShoppingTableProps) {
  const { lines, perLamp, perJob, partsPrice, deliveryPrice, total, instead } = list;
  return (
    <div className="lists-view">
      <FigureTable<ShoppingLine>
        label="What to get"
        rows={lines}
        rowKey={(l) => l.key}
        stale={stale}
        mark={(l) => (l.packs > 0 ? 'to-get' : '')}
        columns={[
          ['Part', (l) => l.name, (l) => l.name],
          ['Needed', (l) => amountWords(l.key, l.count), (l) => l.count],
          ['Spare', (l) => (l.spares > 0 ? amountWords(l.key, l.spares) : '—')],
          [
            'There is',
            (l) =>
              [
                l.owned > 0 ? `${amountWords(l.key, l.owned)} ${l.kept}`.trim() : '',
                l.there > 0 ? `${l.there} in the model` : '',
              ]
                .filter((w) => w !== '')
                .join('; ') || '—',
            (l) => l.kept,
          ],
          [
            'To get',
            (l) => (l.packs > 0 ? `${l.packs} × ${amountWords(l.key, l.packSize)}` : '—'),
            (l) => -l.packs,
          ],
          [
            'Price',
            (l) => (l.packs > 0 ? priceWords(l.price, currency) : '—'),
            (l) => (l.packs > 0 ? l.price : 0),
          ],
        ]}
      />
      <dl className="fact-list">
        <dt>To get</dt>
        <dd>{priceWords(partsPrice, currency)}</dd>
        <dt>With post of {priceWords(deliveryPrice, currency)}</dt>
        <dd>{priceWords(total, currency)}</dd>
        <dt>Parts of one lamp</dt>
        <dd>{priceWords(perLamp, currency)}</dd>
        <dt>Parts of one job</dt>
        <dd>{priceWords(perJob, currency)}</dd>
      </dl>
      {instead.length > 0 && (
        <FigureTable<Instead>
          label="Other goods for the same"
          rows={instead}
          rowKey={(r) => r.what}
          columns={[
            ['Instead', (r) => r.what],
            ['As it is', (r) => priceWords(r.price, currency), (r) => r.price],
            ['So', (r) => priceWords(r.insteadPrice, currency), (r) => r.insteadPrice],
            ['Joints saved', (r) => r.fewerJoints, (r) => -r.fewerJoints],
            ['But', (r) => r.costs],
          ]}
        />
      )}
      <p className="hint">
        Packs, prices, post and the spares for lamps that die under the iron (the smaller, the more) are
        common ones; a price in the drawer goes before them.
      </p>
      <div className="button-row">
        <Button onClick={() => saveFile(`${name}-to-get.csv`, shoppingCsv(list, currency), 'text/csv')}>
          Save as CSV
        </Button>
        <Button className="print-button" onClick={() => print()}>
          Print this list
        </Button>
      </div>
    </div>
  );
}

const shoppingCsv = ({ lines }: ShoppingList, currency: string): string =>
  writeCsv({
    head: ['part', 'needed', 'spare', 'in the drawer', 'packs', 'in a pack', `price ${currency}`],
    rows: lines.map((l) =>
      [l.name, l.count, l.spares, l.owned, l.packs, l.packSize, l.price].map((v) =>
        typeof v === 'number' ? String(Number(v.toFixed(3))) : v,
      ),
    ),
  });
