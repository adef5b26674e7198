import { canSize, ratingFor, stockFarads } from '../part/electrolytic';
import { change } from '../document/patch';
import { benchOf, type Bench } from './bench';
import { gapSeconds } from './gap';
import { noLoadStudy } from './no-load';
import { lightAt, powerCutStudy } from './power-cut';
import { steadyStudy, type SteadyStudy } from './steady';
import { coachIn } from '../document/jobs';
import type { Layout } from '../document/layout';

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

/** The job with another reservoir, behind whatever rectifier it has. */
function withReservoir(layout: Layout, jobId: string, farads: number, ratedVolts: number): Layout {
  return change(layout, (draft) => {
    coachIn(draft, jobId).conditioning.reservoir = { farads, ratedVolts };
  }).layout;
}

function lightLeft(bench: Bench, steady: SteadyStudy, gap: number): number {
  return gap <= 0 ? 1 : lightAt(powerCutStudy(bench, steady), gap);
}

/** The rating of stock a reservoir of this job needs; null when none is made. */
export function reservoirRatingFor(layout: Layout, jobId: string): number | null {
  const tried = benchOf(withReservoir(layout, jobId, 100e-6, 100), jobId);
  return ratingFor(noLoadStudy(tried)?.volts.greatest ?? 0);
}

/**
 * The smallest reservoir of the drawer or of stock with which a gap is ridden, found by solving the
 * power cut with each.
 * @returns null when even the largest does not
 */
export function reservoirFor(layout: Layout, jobId: string, gap: number): StockReservoir | null {
  const rating = reservoirRatingFor(layout, jobId);
  if (rating === null) return null;
  const drawer = Object.values(layout.drawer.reservoirs).filter((r) => r.count > 0 && r.ratedVolts >= rating);
  const sizes = [...new Set([...drawer.map((r) => r.farads), ...stockFarads])].sort((a, b) => a - b);
  const rides = (farads: number): boolean => {
    const bench = benchOf(withReservoir(layout, jobId, farads, rating), jobId);
    return lightLeft(bench, steadyStudy(bench), gap) >= RIDDEN_SHARE;
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

/** How a job rides the dead stretch it names, and what it would take. */
export function rideStudy(bench: Bench, steady: SteadyStudy): RideStudy {
  const gap = gapSeconds(bench.job, bench.layout.scale);
  const left = lightLeft(bench, steady, gap);
  const needed = gap > 0 && left < RIDDEN_SHARE;
  return {
    gapSeconds: gap,
    lightLeft: left,
    reservoir: needed ? reservoirFor(bench.layout, bench.jobId, gap) : null,
  };
}
