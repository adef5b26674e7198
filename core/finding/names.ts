import type { Supply } from '../supply';

/** "Lamp 3", "Lamps 1 and 4", "Lamps 1 to 7": numbers ascending. */
export function lampNames(numbers: readonly number[]): string {
  const sorted = [...numbers].sort((a, b) => a - b);
  if (sorted.length === 1) return `Lamp ${sorted[0]}`;
  const last = sorted[sorted.length - 1];
  if (sorted.length > 2 && last - sorted[0] === sorted.length - 1) return `Lamps ${sorted[0]} to ${last}`;
  return `Lamps ${sorted.slice(0, -1).join(', ')} and ${last}`;
}

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
  };
  return names[supply.kind];
}
