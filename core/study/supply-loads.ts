import { supplyKind } from '../supply';
import { deliveredBy, sourcesOf } from './sources';
import type { Layout } from '../document/layout';
import type { SolvedJob } from './solved-job';

/** What jobs together draw from one supply. */
export interface SupplyLoad {
  readonly supplyId: string;
  readonly name: string;
  /** Mean of all jobs together. */
  readonly amps: number;
  /** What it gives at most; null for cells, each job having its own, and for what has no limit. */
  readonly limitAmps: number | null;
}

/** What jobs draw from each supply they hang on, in the order the supplies are met. Jobs without an answer draw nothing. */
export function supplyLoads(
  { supplies }: Pick<Layout, 'supplies'>,
  jobs: readonly SolvedJob[],
): SupplyLoad[] {
  const drawn = new Map<string, number>();
  for (const { job, bench, readings } of jobs) {
    drawn.set(job.supplyId, drawn.get(job.supplyId) ?? 0);
    if (!bench || !readings) continue;
    for (const source of sourcesOf(bench))
      drawn.set(source.supplyId, (drawn.get(source.supplyId) ?? 0) + deliveredBy(readings, source).amps.mean);
  }
  return [...drawn].map(([supplyId, amps]): SupplyLoad => {
    const supply = supplies[supplyId];
    const { amps: most } = supplyKind(supply).limit(supply);
    const limitAmps = Number.isFinite(most) && supply.kind !== 'cell' ? most : null;
    return { supplyId, name: supply.name, amps, limitAmps };
  });
}
