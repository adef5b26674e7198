import { supplyIdsOf } from '../document/line-stages';
import { feltAmps, solvedTogether } from '../study/shared-supply';
import { sourcesOf } from '../study/sources';
import { supplyKind } from '../supply';
import { hangsOn } from './hangs-on';
import type { Layout } from '../document/layout';
import type { FeedFigures } from './reading';
import type { SupplySum } from './supply-sum';

/**
 * One sum for each supply of a layout: what stands on the plan as its network is solved, wires and
 * all; what stands on none as it is solved with the drop of all together in the supply's own resistance.
 * @param figures of the network; null where there is none, or it has no answer
 */
export function supplySums(layout: Layout, figures: FeedFigures | null): SupplySum[] {
  const jobAmps = new Map<string, Record<string, number>>();
  const things = new Map<string, number>();
  const add = (supplyId: string, jobId: string, amps: number): void => {
    const own = jobAmps.get(supplyId) ?? {};
    own[jobId] = (own[jobId] ?? 0) + amps;
    jobAmps.set(supplyId, own);
  };
  /** Pairs of a job that the plan feeds, by the supply the job knows them by. */
  const placed = new Map<string, Set<string>>();
  const fed = figures ? hangsOn(layout) : new Map<string, never>();
  for (const [place, { supplyId, converter }] of fed) {
    const { is } = layout.network.nodes[place];
    const amps = atSupply(figures!, layout, place, converter);
    if (is.kind === 'job' && Object.hasOwn(layout.jobs, is.jobId)) {
      const job = layout.jobs[is.jobId];
      const own = placed.get(is.jobId) ?? new Set();
      own.add(besideIds(layout, is.jobId).includes(supplyId) ? supplyId : job.supplyId);
      placed.set(is.jobId, own);
      add(supplyId, is.jobId, amps);
    } else if (is.kind === 'rig' || is.kind === 'lamps' || is.kind === 'typed') {
      things.set(supplyId, (things.get(supplyId) ?? 0) + 1);
    }
  }
  const loose = new Map<string, Map<string, number>>();
  for (const [id, { supplyId }] of Object.entries(layout.jobs)) {
    const own = loose.get(supplyId) ?? new Map<string, number>();
    own.set(id, 1);
    loose.set(supplyId, own);
  }
  for (const [supplyId, counts] of loose) {
    const isPlaced = (id: string): boolean => placed.get(id)?.has(supplyId) ?? false;
    const unplaced = new Map([...counts].filter(([id]) => !isPlaced(id)));
    for (const [id, { bench, readings }] of solvedTogether(layout, unplaced))
      if (bench && readings)
        for (const source of sourcesOf(bench))
          if (!(placed.get(id)?.has(source.supplyId) ?? false))
            add(source.supplyId, id, feltAmps(readings, source));
  }
  return [...new Set([...jobAmps.keys(), ...(figures?.supplies.keys() ?? [])])].map((supplyId) => {
    const supply = layout.supplies[supplyId];
    const kind = supplyKind(supply);
    const own = jobAmps.get(supplyId) ?? {};
    const sum = Object.values(own).reduce((all, a) => all + a, 0);
    const byPlan = figures?.supplies.get(supplyId)?.amps ?? 0;
    const placedAmps = Object.entries(own)
      .filter(([id]) => placed.has(id))
      .reduce((all, [, a]) => all + a, 0);
    const planAmps = Math.max(0, byPlan - placedAmps);
    const { amps: most } = kind.limit(supply);
    return {
      supplyId,
      name: supply.name,
      amps: sum + planAmps,
      isRms: kind.feels(supply) === 'rms',
      limitAmps: Number.isFinite(most) && supply.kind !== 'cell' ? most : null,
      jobAmps: own,
      planAmps,
      planThings: things.get(supplyId) ?? 0,
    };
  });
}

/** The supplies beside its own that a job hangs on. */
const besideIds = (layout: Layout, jobId: string): string[] => supplyIdsOf(layout.jobs[jobId]).slice(1);

/** What a place takes of its supply: behind a converter its power at the converter's input. */
function atSupply(figures: FeedFigures, layout: Layout, place: string, converter: string | null): number {
  const at = figures.places.get(place);
  if (!at) return 0;
  if (converter === null) return at.amps;
  const { is } = layout.network.nodes[converter];
  const before = figures.places.get(converter);
  return is.kind === 'converter' && before && before.volts > 0
    ? (at.amps * at.volts) / (is.efficiency * before.volts)
    : at.amps;
}
