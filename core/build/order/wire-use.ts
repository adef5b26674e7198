import { SLEEVE_MILLIMETRES, shrinkSort, wireSort } from '../../study/stock';
import { stringNeeds, stringOf } from '../../study/string-needs';
import { after, fact } from './fact';
import type { Making } from './making';
import type { WireName } from '../../part/wire';
import type { WiringRow } from '../wiring-table';
import type { Act, StockUse } from './task';

/** What sleeves over so many joints take, in metres. */
export const sleeveUse = (pieces: number): StockUse => ({
  key: shrinkSort.key,
  count: (pieces * SLEEVE_MILLIMETRES) / 1000,
});

/** What wires take of each sort, cut so many times, in metres. */
export function wireUses(wires: readonly WiringRow[], times: number): StockUse[] {
  const metres = new Map<string, number>();
  for (const { wire, sold, cutMillimetres } of wires) {
    const { key } = wireSort(wire.id as WireName, sold);
    metres.set(key, (metres.get(key) ?? 0) + (times * cutMillimetres) / 1000);
  }
  return [...metres].map(([key, count]) => ({ key, count }));
}

/** The task that joins a string, as its kind names it. */
const STRING_WORK = 'work string';

/** Wires of a string, of those that are cut. */
export const ofString = (wires: readonly WiringRow[]): WiringRow[] =>
  wires.filter((w) => w.lead.startsWith('string '));

/** The task that joins a string takes its parts, and its wires are cut before. */
export function withString({ bench, wires, count }: Making, acts: readonly Act[]): Act[] {
  const string = stringOf(bench.job);
  const own = ofString(wires);
  return acts.map((act) =>
    act.id === STRING_WORK && string
      ? {
          ...act,
          uses: [
            ...act.uses,
            ...stringNeeds(string).map((n) => ({ key: n.key, count: count * n.count })),
            sleeveUse(2 * own.length * count),
          ],
          asks: [
            ...act.asks,
            ...own.map((w) => after(fact.cut(w.lead), 'its wire is cut before it is soldered')),
          ],
        }
      : act,
  );
}
