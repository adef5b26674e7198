import { SLEEVE_MILLIMETRES, shrinkSort, wireSort } from '../../study/stock';
import { stringNeeds, stringOf } from '../../study/string-needs';
import { wiresToLay } from '../string-wiring';
import type { WireName } from '../../part/wire';
import type { Bench } from '../../study/bench';
import type { StockUse, Task } from './task';

/** What sleeves over so many joints take, in metres. */
export const sleeveUse = (pieces: number): StockUse => ({
  key: shrinkSort.key,
  count: (pieces * SLEEVE_MILLIMETRES) / 1000,
});

/** The task that joins a string, as its kind names it. */
const STRING_WORK = 'work string';

/**
 * Tasks with the wire each uses, in metres: a lead is cut when the first of its ends is joined, those of
 * a string with what else it takes when it is.
 */
export function withWire(bench: Bench, tasks: readonly Task[], times: number): Task[] {
  const uncut = new Map(
    wiresToLay(bench)
      .filter((row) => !row.direct)
      .map((row) => [row.lead, row]),
  );
  const string = stringOf(bench.job);
  const ofString = string ? [...uncut.keys()].filter((lead) => lead.startsWith('string ')) : [];
  return tasks.map((task) => {
    const metres = new Map<string, number>();
    const own = task.id === STRING_WORK ? ofString : task.joins.map((j) => j.lead);
    for (const lead of own) {
      const row = uncut.get(lead);
      if (!row) continue;
      uncut.delete(lead);
      const { key } = wireSort(row.wire.id as WireName, row.sold);
      metres.set(key, (metres.get(key) ?? 0) + (times * row.cutMillimetres) / 1000);
    }
    if (metres.size === 0) return task;
    const parts =
      task.id === STRING_WORK && string
        ? [
            ...stringNeeds(string).map(({ key, count }) => ({ key, count: times * count })),
            sleeveUse(2 * ofString.length * times),
          ]
        : [];
    return {
      ...task,
      uses: [...task.uses, ...parts, ...[...metres].map(([key, count]) => ({ key, count }))],
    };
  });
}
