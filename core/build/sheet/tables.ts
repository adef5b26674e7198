import { tools, type Task } from '../order/task';
import { minuteWords } from '../order/minutes';
import { keptOf } from '../progress';
import { soldByLength } from '../../study/stock';
import { formatQuantity, inSentence } from '../../quantity/format';
import type { WiringRow } from '../wiring-table';
import type { LengthCuts, Sheet } from './sheet';

/** A table of the sheet: a head and rows, in words. */
export interface SheetTable {
  readonly title: string;
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 4 });
/** A count in pieces, or in metres with its unit. */
export const amountWords = (key: string, count: number): string =>
  soldByLength(key) ? lengthOf(1000 * count) : String(Number(count.toFixed(2)));
/** A length in millimetres up to two metres, then in metres. */
const lengthOf = (millimetres: number): string =>
  millimetres < 2000 ? `${Math.round(millimetres)} mm` : `${Number((millimetres / 1000).toFixed(2))} m`;
export const priceWords = (price: number, currency: string): string => `${price.toFixed(2)} ${currency}`;

/** The tables of a sheet, in the order they are read; empty ones are left out. */
export function sheetTables(sheet: Sheet): SheetTable[] {
  const { wiring, functions, shopping, cuts, currency, proof } = sheet;
  const tables: SheetTable[] = [
    wiresTable(wiring),
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
      title: 'What it takes, and lengths to cut',
      head: ['Part', 'Needed', 'Spare', 'There is', 'To get', 'Price', 'Lengths'],
      rows: shopping.lines.map((l) => [
        l.name,
        amountWords(l.key, l.count),
        l.spares > 0 ? amountWords(l.key, l.spares) : '',
        [
          l.owned > 0 ? `${amountWords(l.key, l.owned)}${l.kept === '' ? '' : `, ${l.kept}`}` : '',
          l.there > 0 ? `${l.there} in the model` : '',
        ]
          .filter((w) => w !== '')
          .join('; '),
        l.packs > 0 ? `${l.packs} × ${amountWords(l.key, l.packSize)}` : '',
        l.packs > 0 ? priceWords(l.price, currency) : '',
        cutWords(cuts.find((c) => c.name === l.name)),
      ]),
    },
  ];
  return tables.filter((t) => t.rows.length > 0);
}

/** Lengths to cut, and from how many of what it is sold in, where one is not enough. */
function cutWords(cut: LengthCuts | undefined): string {
  if (!cut) return '';
  const lengths = lengthWords(cut.plan.cuts.flatMap((c) => c.pieces));
  const many = cut.plan.cuts.length;
  return many > 1
    ? `${lengths}; from ${many} lengths of ${lengthOf(cut.stockMillimetres)}, waste ${mm(cut.plan.wasteMillimetres)}`
    : lengths;
}

/** Wires with their ends; the sort of wire once above them where it is one. */
function wiresTable(wiring: readonly WiringRow[]): SheetTable {
  const sorts = [...new Set(wiring.filter((r) => !r.direct).map((r) => r.wire.name))];
  const own = sorts.length > 1;
  return {
    title: own || sorts.length === 0 ? 'Wires' : `Wires: ${inSentence(sorts[0])}`,
    head: ['No.', 'From', 'To', ...(own ? ['Wire'] : []), 'Colour', 'Cut', 'Through'],
    rows: likeWires(wiring).map((like) => {
      const [r] = like;
      const cut = `${like.length > 1 ? `${like.length} × ` : ''}${mm(r.cutMillimetres)}${r.assumed ? ', to suit' : ''}`;
      return [
        runsOf(like.map((row) => row.label)),
        `${endsTogether(like.map((row) => row.from))} ${r.fromPolarity}`,
        `${endsTogether(like.map((row) => row.to))} ${r.toPolarity}`,
        ...(own ? [r.direct ? '' : r.wire.name] : []),
        r.direct ? r.means : `${r.sold}, ${r.means}`,
        r.direct ? 'own leg' : cut,
        r.through.join(', '),
      ];
    }),
  };
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
  const { tasks } = ordered.order;
  const told = new Set<string>();
  return tasks.map((t, i) => {
    const { done, note } = keptOf(progress, t);
    return {
      number: i + 1,
      done,
      does: t.does,
      says: t.tests ? t.says : toldOnce(t.says, told),
      tool: tools[t.tool],
      figures: `${minuteWords(t.minutes)}${t.dryMinutes > 0 ? `, then ${minuteWords(t.dryMinutes)} to dry${meanwhile(tasks, i)}` : ''}`,
      note,
      final: t.undone === 'cannot',
    };
  });
}

/** A text without the sentences that an earlier step has told, which hold for this one too; whole where nothing else is left. */
function toldOnce(text: string, told: Set<string>): string {
  const sentences = text.split(/(?<=[.!?]) (?=[A-Z])/);
  const fresh = sentences.filter((s) => !told.has(s));
  for (const s of sentences) told.add(s);
  return (fresh.length > 0 ? fresh : sentences).join(' ');
}

/** What an end is called, and where on it the wire goes. */
const [nameOf, placeOf] = [
  (end: string): string => end.split(', ')[0],
  (end: string): string => end.split(', ').slice(1).join(', '),
];

/** Wires that are cut alike, lead the same way and go from like places to like places, together; in the order of the first of each. */
export function likeWires(wiring: readonly WiringRow[]): WiringRow[][] {
  const groups = new Map<string, WiringRow[]>();
  for (const row of wiring) {
    const key = JSON.stringify([
      row.wire.id,
      row.sold,
      row.cutMillimetres,
      row.direct,
      row.through,
      row.means,
      row.fromPolarity,
      row.toPolarity,
      placeOf(row.from),
      placeOf(row.to),
    ]);
    groups.set(key, [...(groups.get(key) ?? []), row]);
  }
  return [...groups.values()];
}

/** "Lamp 1, Lamp 2, Lamp 3: anode": ends of like wires in their order; once where it is the same one. */
function endsTogether(ends: readonly string[]): string {
  const names = ends.map(nameOf);
  if (new Set(names).size === 1) return ends[0];
  const place = placeOf(ends[0]);
  const numbered = names.map((n) => /^(.*\D)(\d+)$/.exec(n));
  const [prefix] = numbered.map((m) => m?.[1]);
  const words =
    prefix !== undefined && numbered.every((m) => m?.[1] === prefix)
      ? prefix + runsOf(numbered.map((m) => m![2]))
      : names.join(', ');
  return `${words}${place === '' ? '' : `: ${place}`}`;
}

/** "2, 4–6": labels in their order, those that follow one another as a run. */
function runsOf(labels: readonly string[]): string {
  const runs: [number, number][] = [];
  for (const label of labels.map(Number)) {
    const last = runs.at(-1);
    if (last && label === last[1] + 1) last[1] = label;
    else runs.push([label, label]);
  }
  return runs.map(([from, to]) => (from === to ? String(from) : `${from}–${to}`)).join(', ');
}

/** What goes on while a task dries: those that follow it up to the first that waits for it; nothing where that is the next. */
function meanwhile(tasks: readonly Task[], dries: number): string {
  const waits = tasks.findIndex((t, i) => i > dries && t.needs.some((n) => n.task === tasks[dries].id));
  const [from, to] = [dries + 2, waits < 0 ? tasks.length : waits];
  if (to < from) return '';
  return `, meanwhile ${from === to ? from : `${from} to ${to}`}`;
}
