import { supplyKind } from '../supply';
import { supplyIdsOf } from '../document/line-stages';
import { benchOf } from './bench';
import { feltAmps } from './shared-supply';
import { solvedJob } from './solved-job';
import { sourcesOf } from './sources';
import { truthTable } from './truth-table';
import type { AnyJob, Layout } from '../document/layout';
import type { Setting } from '../supply/state';

/** What jobs draw from one supply together, each in the state in which it draws most, the supply at its highest. */
export interface AllAtOnce {
  readonly supplyId: string;
  readonly amps: number;
  /** Each job's share, the most first. */
  readonly jobs: readonly { readonly jobId: string; readonly amps: number }[];
  readonly isRms: boolean;
  readonly limitAmps: number;
}

/** Where all together draw less than this share of the limit as they are set, their worst states are not looked for. */
const SLIGHT_SHARE = 0.25;

/** Most drawn from each of a job's supplies, by how the supply itself is set. */
type Most = ReadonlyMap<string, ReadonlyMap<string, number>>;
const known = new WeakMap<
  AnyJob,
  { readonly supplies: readonly unknown[]; readonly drawer: unknown; readonly most: Most }
>();

/** The most a job draws of each supply, for every setting of that supply that other jobs share with it. */
function mostOf(layout: Layout, jobId: string): Most {
  const job = layout.jobs[jobId];
  const supplies = supplyIdsOf(job).map((id) => layout.supplies[id]);
  const before = known.get(job);
  if (before?.drawer === layout.drawer && before.supplies.every((s, i) => s === supplies[i]))
    return before.most;
  const bench = benchOf(layout, jobId);
  const most = new Map<string, Map<string, number>>();
  const { rows } = truthTable(bench, undefined, 'highest');
  for (const source of sourcesOf(bench)) {
    const inputs = source.beside ? [] : supplyKind(source.supply).inputs(source.supply);
    const own = most.get(source.supplyId) ?? new Map<string, number>();
    most.set(source.supplyId, own);
    for (const { state, readings } of rows) {
      const key = JSON.stringify(inputs.map((i): Setting => state[i.id] ?? i.usual));
      own.set(key, Math.max(own.get(key) ?? 0, feltAmps(readings, source)));
    }
  }
  known.set(job, { supplies, drawer: layout.drawer, most });
  return most;
}

/**
 * The supplies that several jobs share, with all that may be drawn of them at once. A supply that a
 * hand sets (its polarity) is taken in the setting in which most is drawn; jobs on a board's address or an
 * old controller stand alike in it.
 * @returns nothing of cells, each job having its own, and of what is hardly loaded
 */
export function allAtOnce(layout: Layout): AllAtOnce[] {
  const sharing = new Map<string, string[]>();
  for (const [id, job] of Object.entries(layout.jobs))
    for (const supplyId of new Set(supplyIdsOf(job)))
      sharing.set(supplyId, [...(sharing.get(supplyId) ?? []), id]);
  return [...sharing].flatMap(([supplyId, jobIds]): AllAtOnce[] => {
    const supply = layout.supplies[supplyId];
    const kind = supplyKind(supply);
    const { amps: limitAmps } = kind.limit(supply);
    if (jobIds.length < 2 || supply.kind === 'cell' || !Number.isFinite(limitAmps)) return [];
    const now = jobIds.reduce((sum, id) => {
      const { bench, readings } = solvedJob(layout, id);
      const source = bench && sourcesOf(bench).find((s) => s.supplyId === supplyId);
      return sum + (source && readings ? feltAmps(readings, source) : 0);
    }, 0);
    if (now < SLIGHT_SHARE * limitAmps) return [];
    const own = jobIds.map((jobId) => ({
      jobId,
      by: mostOf(layout, jobId).get(supplyId) ?? new Map<string, number>(),
    }));
    const settings = new Set(own.flatMap(({ by }) => [...by.keys()]));
    const sums = [...settings].map((key) => own.map(({ jobId, by }) => ({ jobId, amps: by.get(key) ?? 0 })));
    const total = (of: readonly { readonly amps: number }[]): number =>
      of.reduce((sum, j) => sum + j.amps, 0);
    const worst = sums.reduce<(typeof sums)[number]>((most, s) => (total(s) > total(most) ? s : most), []);
    return [
      {
        supplyId,
        amps: total(worst),
        jobs: [...worst].sort((a, b) => b.amps - a.amps),
        isRms: kind.feels(supply) === 'rms',
        limitAmps,
      },
    ];
  });
}
