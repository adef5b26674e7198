import { SLEEVE_MILLIMETRES, shrinkSort, wireSort } from '../../study/stock';
import { wiringTable } from '../wiring-table';
import type { WireName } from '../../part/wire';
import type { Bench } from '../../study/bench';
import type { StockUse, Task } from './task';

/** What sleeves over so many joints take, in metres. */
export const sleeveUse = (pieces: number): StockUse => ({
  key: shrinkSort.key,
  count: (pieces * SLEEVE_MILLIMETRES) / 1000,
});

/** Tasks with the wire each uses, in metres: a lead is cut when the first of its ends is joined. */
export function withWire(bench: Bench, tasks: readonly Task[], times: number): Task[] {
  const uncut = new Map(
    wiringTable(bench)
      .filter((row) => !row.direct && !row.onBoard)
      .map((row) => [row.lead, row]),
  );
  return tasks.map((task) => {
    const metres = new Map<string, number>();
    for (const { lead } of task.joins) {
      const row = uncut.get(lead);
      if (!row) continue;
      uncut.delete(lead);
      const { key } = wireSort(row.wire.id as WireName, row.sold);
      metres.set(key, (metres.get(key) ?? 0) + (times * row.cutMillimetres) / 1000);
    }
    if (metres.size === 0) return task;
    return { ...task, uses: [...task.uses, ...[...metres].map(([key, count]) => ({ key, count }))] };
  });
}
