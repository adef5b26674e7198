import { SLEEVE_MILLIMETRES, shrinkSort, sortOf, usesOf, wireSort } from '../../study/stock';
import { thereAlready } from '../../study/already';
import { stringNeeds, stringOf } from '../../study/string-needs';
import { after, fact } from './fact';
import type { SoldNeed } from '../../part/sold-need';
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

/** What is sold by the piece, so many times. */
export const soldUses = (needs: readonly SoldNeed[], times: number): StockUse[] =>
  needs.map(({ key, count }) => ({ key, count: times * count }));

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
          caution: string.farads > 0 ? ('polarity' as const) : act.caution,
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

/** What is bought for the assembly and no task takes yet goes with the first that is about it. */
export function withParts({ assembly, count }: Making, acts: readonly Act[]): Act[] {
  const left = new Map<string, number>();
  for (const { key, count: many } of usesOf(assembly.parts, count))
    left.set(key, (left.get(key) ?? 0) + many);
  for (const { key, count: many } of acts.flatMap((a) => a.uses))
    if (left.has(key)) left.set(key, left.get(key)! - many);
  const sorts = new Map(assembly.parts.map((p) => [p.id, sortOf(p)?.key]));
  return acts.map((act) => {
    const keys = [...new Set(act.parts.map((id) => sorts.get(id)))];
    const own = keys.flatMap((key) => (key !== undefined && left.get(key)! > 0 ? [key] : []));
    if (own.length === 0 || act.joins.length === 0) return act;
    const uses = own.map((key): StockUse => ({ key, count: left.get(key)! }));
    for (const key of own) left.set(key, 0);
    return { ...act, uses: [...act.uses, ...uses] };
  });
}

/** What is in the model already is not taken from stock: the first tasks that use its sort use so much less. */
export function withoutThere({ bench: { job }, assembly, count }: Making, acts: readonly Act[]): Act[] {
  const left = new Map([...thereAlready(job, assembly.parts)].map(([key, n]) => [key, n * count]));
  if (left.size === 0) return [...acts];
  return acts.map((act) => ({
    ...act,
    uses: act.uses.flatMap(({ key, count: many }): StockUse[] => {
      const less = Math.min(many, left.get(key) ?? 0);
      left.set(key, (left.get(key) ?? 0) - less);
      return many - less > 0 ? [{ key, count: many - less }] : [];
    }),
  }));
}
