import { formatQuantity } from '../quantity/format';
import { supplyKind, type Supply } from '../supply';
import type { Bench } from '../study/bench';
import type { DieVerdict, TruthRow } from '../study/truth-table';
import type { DocumentPath, Terminal } from '../assembly/assembly';

/** A verb's ending for one or many: "carries", "carry". */
export const plural = (count: number, one: string, many: string): string => (count === 1 ? one : many);

/** What stands behind the rails or wires, in the trade's word. */
export function sourceName(supply: Supply): string {
  const names: Readonly<Record<Supply['kind'], string>> = {
    'dcc-track': 'booster',
    'dc-track': 'controller',
    'ac-track': 'transformer',
    'layout-bus': 'supply',
    cell: 'cell',
    'lamp-controller': 'controller',
    'accessory-output': 'accessory board',
  };
  return names[supply.kind];
}

/** "Lamp 3", "Lamps 1 and 4", "Lamps 1 to 7": numbers ascending. */
function numbered(word: string, numbers: readonly number[]): string {
  const sorted = [...numbers].sort((a, b) => a - b);
  if (sorted.length === 1) return `${word} ${sorted[0]}`;
  const last = sorted[sorted.length - 1];
  if (sorted.length > 2 && last - sorted[0] === sorted.length - 1) return `${word}s ${sorted[0]} to ${last}`;
  return `${word}s ${sorted.slice(0, -1).join(', ')} and ${last}`;
}

/** Lamps by name; those that are only numbered together, of others the first few. */
export function lampWords(
  { assembly }: Pick<Bench, 'assembly'>,
  lampIds: readonly string[],
  most = 3,
): string {
  const ids = new Set(lampIds);
  const labels = [
    ...new Set(
      assembly.parts.flatMap((p) =>
        (p.kind === 'lamp' || p.kind === 'bulb') && ids.has(p.lamp!) ? [p.label] : [],
      ),
    ),
  ];
  const numbers = labels.map((l) => /^(Lamp|Strip unit) (\d+)$/.exec(l));
  const word = numbers[0]?.[1];
  if (word !== undefined && numbers.every((m) => m?.[1] === word))
    return numbered(
      word,
      numbers.map((m) => Number(m![2])),
    );
  const rest = labels.length - most;
  return rest > 0 ? `${labels.slice(0, most).join(', ')} and ${rest} more` : labels.join(', ');
}

/** The paths of lamps, and their terminals. */
export function aboutLamps(
  { jobId, assembly }: Pick<Bench, 'jobId' | 'assembly'>,
  lampIds: readonly string[],
): { readonly paths: readonly DocumentPath[]; readonly terminals: readonly Terminal[] } {
  const own = [...new Set(lampIds)];
  return {
    paths: own.map((id) => ['jobs', jobId, 'lamps', id]),
    terminals: own.flatMap((id) => {
      const part = assembly.parts.find((p) => p.lamp === id && (p.kind === 'lamp' || p.kind === 'bulb'));
      return part ? [{ part: part.id, terminal: part.kind === 'bulb' ? 'one' : 'anode' }] : [];
    }),
  };
}

/** Currents below this are not told by a meter on a bench (common practice, no source). */
const LEAST_AMPS = 1e-6;

/** A current as it can be measured: below a microampere a word. */
export const ampsWords = (amps: number): string =>
  Math.abs(amps) < LEAST_AMPS ? 'next to no current' : formatQuantity(amps, 'amp');

/** From where lamps beside one another are seen to differ, of 100 to the eye (common practice, no source). */
export const SEEN_LIGHTNESS = 8;

/** How bright something looks, 0 to 100: a word for what nobody sees. */
export const lightWords = (lightness: number): string =>
  lightness < 0.5 ? 'dark to the eye' : `${lightness.toFixed(0)} of 100 to the eye`;

/** The row in which a figure is greatest, and the figure; null without rows. */
export function worstRow(
  rows: readonly TruthRow[],
  figure: (row: TruthRow) => number,
): { readonly row: TruthRow; readonly figure: number } | null {
  let worst: { row: TruthRow; figure: number } | null = null;
  for (const row of rows) {
    const own = figure(row);
    if (worst === null || own > worst.figure) worst = { row, figure: own };
  }
  return worst;
}

/** How a sentence says when something stands at its highest: " at full throttle in reverse". */
export function atHighest({ supply }: Pick<Bench, 'supply'>, { state }: Pick<TruthRow, 'state'>): string {
  const words = supplyKind(supply).highestWords(supply);
  return supply.kind === 'dc-track' && state.direction === 'reverse' ? `${words} in reverse` : words;
}

/** Each colour of each lamp with its verdicts over all rows. */
export function byDie(rows: readonly TruthRow[]): Map<string, { die: DieVerdict; row: TruthRow }[]> {
  const found = new Map<string, { die: DieVerdict; row: TruthRow }[]>();
  for (const row of rows)
    for (const die of row.dies) {
      const key = die.part + (die.second ? ' second' : '');
      const own = found.get(key);
      if (own) own.push({ die, row });
      else found.set(key, [{ die, row }]);
    }
  return found;
}
