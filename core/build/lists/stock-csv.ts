import { parseQuantity } from '../../quantity/parse';
import { formatQuantity, shortOhms } from '../../quantity/format';
import { wattsName } from '../../part/resistor';
import { inOrder } from '../../document/in-order';
import { freeId } from '../../document/usual-supply';
import { csvFigure, readCsv, writeCsv } from './csv';
import { ownedOf, stockOf } from '../../study/stock';
import type { Draft } from 'immer';
import type { Layout } from '../../document/layout';

const COLUMNS = ['part', 'key', 'count', 'price', 'kept'] as const;
type Column = (typeof COLUMNS)[number];

/** Stock as a line of a list. */
export interface StockRow {
  readonly name: string;
  readonly key: string;
  readonly count: number;
  readonly price: number;
  readonly kept: string;
}

/** Everything in the drawer, a line each. */
export function stockRows({ drawer }: Pick<Layout, 'drawer'>): StockRow[] {
  return [
    ...inOrder(drawer.resistors).map(({ ohms, ratedWatts, count, price, kept }) => ({
      name: `Resistor ${shortOhms(ohms)} ${wattsName(ratedWatts)}`,
      key: `resistor:${ohms}:${ratedWatts}`,
      count,
      price,
      kept,
    })),
    ...inOrder(drawer.reservoirs).map(({ farads, ratedVolts, count, price, kept }) => ({
      name: `Reservoir ${formatQuantity(farads, 'farad')} ${formatQuantity(ratedVolts, 'volt')}`,
      key: `reservoir:${farads}:${ratedVolts}`,
      count,
      price,
      kept,
    })),
    ...inOrder(drawer.sundries).map(({ name, key, count, price, kept }) => ({
      name,
      key,
      count,
      price,
      kept,
    })),
  ];
}

/** What is in the drawer as CSV. */
export const writeStockCsv = (layout: Pick<Layout, 'drawer'>): string =>
  writeCsv({
    head: COLUMNS,
    rows: stockRows(layout).map((r) => [r.name, r.key, String(r.count), String(r.price), r.kept]),
  });

/** What a line of a list would make of the drawer. */
export interface StockChange extends StockRow {
  /** How many there are now; null for what is not there yet. */
  readonly before: number | null;
}

export type ReadStockCsv =
  | { readonly ok: true; readonly changes: readonly StockChange[] }
  | { readonly ok: false; readonly complaints: readonly string[] };

/** The key of what is called "Resistor 4k7 1/4 W"; null for what is called otherwise. */
function keyOfName(name: string): string | null {
  const found = /^(?:resistor\s+)?(\S+?)(?:\s+(\d+\/\d+|[\d.]+)\s*W)?$/i.exec(name.trim());
  if (!found) return null;
  const ohms = parseQuantity(found[1], 'ohm', { least: 0.1, most: 1e7 });
  const watts = parseQuantity(`${found[2] ?? '1/4'} W`, 'watt', { least: 0.01, most: 50 });
  return ohms.ok && watts.ok ? `resistor:${ohms.figure}:${watts.figure}` : null;
}

/** What is wrong with a key; null for a good one. */
function keyComplaint(key: string): string | null {
  const [sort, a, b] = key.split(':');
  const figure = (text: string | undefined, least: number, most: number): boolean =>
    text !== undefined && Number(text) >= least && Number(text) <= most;
  if (sort === 'resistor' && !(figure(a, 0.1, 1e7) && figure(b, 0.01, 50)))
    return `“${key}” is not ohms and watts, as resistor:470:0.25`;
  if (sort === 'reservoir' && !(figure(a, 1e-9, 0.5) && figure(b, 1, 500)))
    return `“${key}” is not farads and volts, as reservoir:0.00047:25`;
  return key.length > 80 ? 'the key is longer than 80 letters' : null;
}

/** What to write instead of a figure that may be two. */
const thousands = (cell: string): string =>
  /^\d{1,3}[.,]\d{3}$/.test(cell)
    ? `; write ${cell.replace(/[.,]/, '')} or ${Number(cell.replace(',', '.'))}`
    : '';

/** Reads a list of stock: whole, as what it would change, or with every line that is wrong and why. */
export function readStockCsv(text: string, layout: Pick<Layout, 'drawer'>): ReadStockCsv {
  let table: ReturnType<typeof readCsv>;
  try {
    table = readCsv(text);
  } catch (error) {
    return { ok: false, complaints: [(error as Error).message] };
  }
  const head = table.head.map((h) => h.trim().toLowerCase());
  const missing = (['part', 'count'] as const).filter((c) => !head.includes(c));
  if (missing.length > 0)
    return { ok: false, complaints: [`The first line lacks ${missing.join(' and ')}.`] };
  const complaints: string[] = [];
  const changes = new Map<string, StockChange>();
  table.rows.forEach((row, i) => {
    const cell = (c: Column): string => (head.includes(c) ? row[head.indexOf(c)].trim() : '');
    if (row.every((c) => c.trim() === '')) return;
    const say = (what: string): void => void complaints.push(`Line ${i + 2}: ${what}.`);
    const name = cell('part');
    const key = cell('key') || keyOfName(name) || `sundry:${name.toLowerCase()}`;
    if (name === '' || name.length > 80) return say('the part is called nothing, or by more than 80 letters');
    const wrong = keyComplaint(key);
    if (wrong) return say(wrong);
    const [known] = stockOf(layout, key);
    const count = csvFigure(cell('count'));
    const price = cell('price') === '' ? (known?.price ?? 0) : csvFigure(cell('price'));
    if (count === null || count < 0 || count > 100_000)
      return say(`“${cell('count')}” is no count from 0 to 100000${thousands(cell('count'))}`);
    if (!Number.isInteger(count) && /^(resistor|reservoir):/.test(key))
      return say(`“${cell('count')}” is no whole number`);
    if (price === null || price < 0 || price > 10_000)
      return say(`“${cell('price')}” is no price from 0 to 10000${thousands(cell('price'))}`);
    const kept = cell('kept') === '' ? (known?.kept ?? '') : cell('kept');
    if (kept.length > 60) return say('where it is kept takes more than 60 letters');
    if (changes.has(key)) return say(`${name} comes twice`);
    changes.set(key, { name, key, count, price, kept, before: known ? ownedOf(layout, key) : null });
  });
  if (complaints.length > 0) return { ok: false, complaints };
  return { ok: true, changes: [...changes.values()] };
}

/** Puts so many of a sort into the drawer, in place of what there was of it. */
export function putStock(draft: Draft<Layout>, { name, key, count, price, kept }: StockRow): void {
  const { drawer } = draft;
  const [known, ...doubles] = stockOf(draft as Layout, key);
  for (const d of doubles) Reflect.deleteProperty(drawer[d.from], d.id);
  if (known) {
    Object.assign(drawer[known.from][known.id], { count, price, kept });
    return;
  }
  const [sort, a, b] = key.split(':');
  const shelf = sort === 'resistor' ? 'resistors' : sort === 'reservoir' ? 'reservoirs' : 'sundries';
  const order = 1 + Math.max(0, ...Object.values(drawer[shelf]).map((r) => r.order));
  const id = freeId(drawer[shelf], sort);
  if (shelf === 'resistors')
    drawer.resistors[id] = { order, ohms: Number(a), ratedWatts: Number(b), count, price, kept };
  else if (shelf === 'reservoirs')
    drawer.reservoirs[id] = { order, farads: Number(a), ratedVolts: Number(b), count, price, kept };
  else drawer.sundries[id] = { order, key, name, count, price, kept };
}
