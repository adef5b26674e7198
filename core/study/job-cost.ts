import { costOf, ownPrice } from './bill';
import { cellNeeds } from './cell-needs';
import { pickupNeeds } from './pickup-needs';
import { recordFacts } from '../kinds/records';
import { joinNeeds } from './join-needs';
import { stringNeeds, stringOf } from './string-needs';
import { asWired } from './wired';
import type { Bench } from './bench';

/** Price of all that a job takes, in the layout's currency: its parts, what joins its lamps or holds its cells, and what a string of it takes. */
export function costOfJob(bench: Bench): number {
  const { layout, supply, job } = bench;
  const { assembly } = asWired(bench);
  const string = stringOf(job);
  const besides = [
    ...joinNeeds(bench),
    ...(recordFacts(job.kind).goods?.(job) ?? []),
    ...pickupNeeds(bench),
    ...cellNeeds(bench).holders,
    ...(string ? stringNeeds(string) : []),
  ].reduce((sum, n) => sum + n.count * (ownPrice(layout, n.key) ?? n.priceEach), 0);
  return costOf(assembly, layout, supply) + besides;
}
