import { isOnRails } from '../document/job-record';
import { canSize, ratingFor, stockFarads } from '../part/electrolytic';
import { change } from '../document/patch';
import { putStage, reservoirLineId } from '../document/line-stages';
import { supplyKind } from '../supply';
import { benchIn, type Bench } from './bench';
import { gapSeconds } from './gap';
import { noLoadStudy } from './no-load';
import { lightAt, powerCutStudy } from './power-cut';
import { usualReadings } from './solver';
import { type Readings } from './readings';

/** How the light rides over the dead stretch the job names. */
export interface RideStudy {
  readonly gapSeconds: number;
  /** Light left at the end of the gap, over what it was. */
  readonly lightLeft: number;
  /** The smallest stock reservoir that keeps the light above half; null when there is no gap, none is needed or none does. */
  readonly reservoir: StockReservoir | null;
}

export interface StockReservoir {
  readonly farads: number;
  readonly ratedVolts: number;
  /** Typical size of its can, in millimetres. */
  readonly can: { readonly diameter: number; readonly height: number };
  readonly inDrawer: boolean;
}

/** Light at the end of a gap below which it is said not to be ridden: half is barely noticed. */
export const RIDDEN_SHARE = 0.5;

/** The job with another reservoir where it has its own or would have one; null where none can stand. */
function withReservoir(bench: Bench, farads: number, ratedVolts: number): Bench | null {
  const lineId = reservoirLineId(bench.job, supplyKind(bench.supply).changesSides);
  if (lineId === null) return null;
  const { layout } = change(bench.layout, (draft) =>
    putStage(draft.jobs[bench.jobId].lines[lineId], 'reservoir', { farads, ratedVolts }),
  );
  return benchIn(bench, layout);
}

function lightLeft(bench: Bench, readings: Readings, gap: number): number {
  return gap <= 0 ? 1 : lightAt(powerCutStudy(bench, readings), gap);
}

/** The rating of stock a reservoir of this job needs; null when none is made, or none can stand. */
export function reservoirRatingFor(bench: Bench): number | null {
  const tried = withReservoir(bench, 100e-6, 100);
  return tried && ratingFor(Math.max(0, ...noLoadStudy(tried).map((n) => n.volts.greatest)));
}

/**
 * The smallest reservoir of the drawer or of stock with which a gap is ridden, found by solving the
 * power cut with each.
 * @returns null when even the largest does not
 */
export function reservoirFor(bench: Bench, gap: number): StockReservoir | null {
  const rating = reservoirRatingFor(bench);
  if (rating === null) return null;
  const { layout } = bench;
  const drawer = Object.values(layout.drawer.reservoirs).filter((r) => r.count > 0 && r.ratedVolts >= rating);
  const sizes = [...new Set([...drawer.map((r) => r.farads), ...stockFarads])].sort((a, b) => a - b);
  const rides = (farads: number): boolean => {
    const tried = withReservoir(bench, farads, rating)!;
    return lightLeft(tried, usualReadings(tried), gap) >= RIDDEN_SHARE;
  };
  // More capacitance never holds for less time, so the sizes are searched by halves.
  let [low, high] = [0, sizes.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (rides(sizes[middle])) high = middle;
    else low = middle + 1;
  }
  if (low >= sizes.length) return null;
  const farads = sizes[low];
  const own = drawer.filter((r) => r.farads === farads).sort((a, b) => a.ratedVolts - b.ratedVolts)[0];
  const ratedVolts = own?.ratedVolts ?? rating;
  return { farads, ratedVolts, can: canSize(farads, ratedVolts), inDrawer: own !== undefined };
}

/** How a job on rails rides the dead stretch it names, and what it would take; null for one that runs on none. */
export function rideStudy(bench: Bench, readings: Readings): RideStudy | null {
  if (!isOnRails(bench.job)) return null;
  const gap = gapSeconds(bench.job, bench.layout.scale);
  const left = lightLeft(bench, readings, gap);
  const needed = gap > 0 && left < RIDDEN_SHARE;
  return { gapSeconds: gap, lightLeft: left, reservoir: needed ? reservoirFor(bench, gap) : null };
}
