import { minuteWords } from '../order/minutes';
import { keptOf } from '../progress';
import { soldByLength } from '../../study/stock';
import { formatQuantity } from '../../quantity/format';
import type { Sheet } from './sheet';

/** A table of the sheet: a head and rows, in words. */
export interface SheetTable {
  readonly title: string;
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 4 });
/** A count in pieces, or in metres with its unit. */
export const amountWords = (key: string, count: number): string =>
  soldByLength(key) ? `${Number(count.toFixed(2))} m` : String(Number(count.toFixed(2)));
export const priceWords = (price: number, currency: string): string => `${price.toFixed(2)} ${currency}`;

/** The tables of a sheet, in the order they are read; empty ones are left out. */
export function sheetTables(sheet: Sheet): SheetTable[] {
  const { wiring, functions, shopping, cuts, currency, proof } = sheet;
  const tables: SheetTable[] = [
    {
      title: 'Wires',
      head: ['No.', 'From', 'To', 'Wire', 'Colour', 'Cut', 'Through', 'Means'],
      rows: wiring.map((r) => [
        r.label,
        `${r.from} ${r.fromPolarity}`,
        `${r.to} ${r.toPolarity}`,
        r.direct ? 'leg to leg' : r.wire.name,
        r.sold,
        r.direct ? '' : mm(r.cutMillimetres),
        r.through.join(', '),
        r.means,
      ]),
    },
    {
      title: 'Functions',
      head: ['Function', 'Pad', 'Wire', 'Lamps', 'Brightness', 'Effect'],
      rows: functions
        .filter((f) => !f.spare)
        .map((f) => [
          f.functions,
          `${f.outputName}, ${f.pad}`,
          f.colour ?? 'own colour',
          f.lamps.join(', '),
          f.brightness,
          f.effect,
        ]),
    },
    {
      title: 'The shortest proof',
      head: ['Touch', 'What must be seen'],
      rows: (proof?.touches ?? []).map((t) => [t.does, t.sees]),
    },
    {
      title: 'What it takes',
      head: ['Part', 'Needed', 'Spare', 'In the drawer', 'To get', 'Price'],
      rows: shopping.lines.map((l) => [
        l.name,
        amountWords(l.key, l.count),
        l.spares > 0 ? amountWords(l.key, l.spares) : '',
        l.owned > 0 ? `${amountWords(l.key, l.owned)}${l.kept === '' ? '' : `, ${l.kept}`}` : '',
        l.packs > 0 ? `${l.packs} × ${amountWords(l.key, l.packSize)}` : '',
        l.packs > 0 ? priceWords(l.price, currency) : '',
      ]),
    },
    {
      title: 'To cut',
      head: ['What', 'In all', 'From', 'Lengths', 'Waste'],
      rows: cuts.map((c) => [
        c.name,
        `${Number(c.metres.toFixed(2))} m`,
        `${c.plan.cuts.length} × ${Number((c.stockMillimetres / 1000).toFixed(2))} m`,
        lengthWords(c.plan.cuts.flatMap((cut) => cut.pieces)),
        mm(c.plan.wasteMillimetres),
      ]),
    },
  ];
  return tables.filter((t) => t.rows.length > 0);
}

/** "4 × 120 mm, 85 mm", longest first. */
function lengthWords(pieces: readonly number[]): string {
  const counts = new Map<number, number>();
  for (const p of [...pieces].sort((a, b) => b - a)) counts.set(p, (counts.get(p) ?? 0) + 1);
  return [...counts].map(([length, n]) => (n > 1 ? `${n} × ${mm(length)}` : mm(length))).join(', ');
}

/** A task as it stands on paper. */
export interface SheetTask {
  readonly number: number;
  readonly done: boolean;
  readonly does: string;
  readonly says: string;
  readonly tool: string;
  readonly figures: string;
  readonly note: string;
  readonly final: boolean;
}

/** The tasks of a sheet in their order; none where there is no order. */
export function sheetTasks({ ordered, progress }: Sheet): SheetTask[] {
  if (!ordered.ok) return [];
  return ordered.order.tasks.map((t, i) => {
    const { done, note } = keptOf(progress, t.id);
    return {
      number: i + 1,
      done,
      does: t.does,
      says: t.says,
      tool: t.tool,
      figures: `${minuteWords(t.minutes)}${t.dryMinutes > 0 ? `, then ${minuteWords(t.dryMinutes)} to dry` : ''}`,
      note,
      final: t.undone === 'cannot',
    };
  });
}
