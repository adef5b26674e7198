import { change } from '../document/patch';
import { inOrder } from '../document/in-order';
import { putStage, stageOf } from '../document/line-stages';
import { preferredBetween } from '../part/preferred';
import { supplyKind } from '../supply';
import { benchOf, type Bench } from './bench';
import { charging, chargingSeconds } from './inrush';
import { firstMoments, type FirstAsked, type FirstMoments } from './first-moments';
import { onOneSource } from './one-source';
import type { Draft } from 'immer';
import type { Layout } from '../document/layout';

/** The first moments of a train after the power comes on, all reservoirs empty, on one supply. */
export interface TrainInrush {
  readonly supplyId: string;
  readonly cars: number;
  readonly staggerSeconds: number;
  /** Seconds, and the most amperes drawn by all together from there to the next. */
  readonly seconds: readonly number[];
  readonly amps: readonly number[];
  readonly peakAmps: number;
  /** Longest stretch for which more than the supply's limit is drawn, and all such time of the first wave or charge. */
  readonly overSeconds: number;
  readonly overInAllSeconds: number;
  readonly limitAmps: number;
  readonly tripSeconds: number;
  /** What a transformer feels: RMS once charged, and the most over the time it bears more; null for a booster. */
  readonly rms: FirstMoments['rms'];
  readonly trips: boolean;
  /** When it switches off, in seconds after the power comes on; null where it stays on. */
  readonly tripsAtSeconds: number | null;
  /** Where on the wave contact is made when it is worst, in degrees; null without one. */
  readonly angleDegrees: number | null;
  /** As many of its vehicles, those that charge most first, come on at once without a trip. */
  readonly atOnce: number;
  /** The shortest usual stagger with which it does not trip; null when none helps. */
  readonly staggerNeeded: number | null;
  /** The least charge resistor, a diode round it, in every vehicle that has less, with which it does not trip; null when none helps. */
  readonly chargeOhmsNeeded: number | null;
}

/** Staggers that are tried, in seconds. */
const STAGGERS = [0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1] as const;
/** Charge resistors that are tried: below, a train is little helped; above, a reservoir takes too long to fill. */
const [LEAST_CHARGE_OHMS, MOST_CHARGE_OHMS] = [4.7, 470] as const;
/** A body that stands the charge: it carries current for a moment only. */
const CHARGE_WATTS = 0.25;
/** Points that are told for a curve. */
const MOST_POINTS = 240;

/** The first of ascending figures that will do, by halving; null when the last will not. */
function leastOf<T>(figures: readonly T[], willDo: (figure: T) => boolean): T | null {
  if (figures.length === 0 || !willDo(figures[figures.length - 1])) return null;
  let [low, high] = [0, figures.length - 1];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (willDo(figures[middle])) high = middle;
    else low = middle + 1;
  }
  return figures[low];
}

/** Vehicles of a train by the supply they hang on; what has cells of its own is alone. */
function onSupplies(layout: Layout, trainId: string): Map<string, Bench[]> {
  const laid = new Map<string, Bench>();
  const on = new Map<string, Bench[]>();
  for (const { jobId } of inOrder(layout.trains[trainId].cars)) {
    const bench = laid.get(jobId) ?? benchOf(layout, jobId);
    laid.set(jobId, bench);
    if (bench.supply.kind === 'cell') continue;
    on.set(bench.supplyId, [...(on.get(bench.supplyId) ?? []), bench]);
  }
  return on;
}

/** All of them on one source, each joining its stagger later than the one before it. */
function together(
  benches: readonly Bench[],
  stagger: number,
  asked: Omit<FirstAsked, 'seconds'> = { tripOnly: true },
): FirstMoments {
  const { netlist } = onOneSource(benches.map((bench, i) => ({ bench, joinsSeconds: i * stagger })));
  const seconds = (benches.length - 1) * stagger + Math.max(20e-3, chargingSeconds(benches));
  return firstMoments(netlist, benches[0].supply, { ...asked, seconds });
}

/**
 * Gives every reservoir of a train's vehicles on a supply at least so large a charge resistor, with a
 * diode round it for the way back, so that the light loses nothing by it.
 */
export function chargeThrough(
  draft: Draft<Layout> | Layout,
  trainId: string,
  supplyId: string,
  ohms: number,
): void {
  for (const { jobId } of Object.values(draft.trains[trainId].cars)) {
    const job = draft.jobs[jobId];
    if (job.supplyId !== supplyId) continue;
    for (const line of Object.values(job.lines)) {
      const now = stageOf(line, 'charge');
      if (!stageOf(line, 'reservoir') || (now?.ohms ?? 0) >= ohms) continue;
      putStage(line, 'charge', { ohms, ratedWatts: CHARGE_WATTS, beside: true });
    }
  }
}

/**
 * What a train draws when its track gets power, all its vehicles solved as one circuit on one source
 * with its own resistance; and, where that trips the supply, what would not.
 * @returns one for each supply that feeds vehicles of the train, cells left out
 */
export function trainInrush(
  layout: Layout,
  trainId: string,
  onProgress?: (share: number) => boolean | undefined,
): TrainInrush[] {
  const { staggerSeconds } = layout.trains[trainId];
  return [...onSupplies(layout, trainId)].map(([supplyId, benches]) => {
    const [{ supply }] = benches;
    const limit = supplyKind(supply).limit(supply);
    const now = together(benches, staggerSeconds, { onProgress });
    const trips = now.tripsAtSeconds !== null;
    const stays = (of: FirstMoments): boolean => of.tripsAtSeconds === null;
    const hungriest = [...benches].sort((a, b) => {
      const [one, other] = [charging(a), charging(b)];
      return other.farads - one.farads || one.ohms - other.ohms;
    });
    const counts = Array.from({ length: benches.length }, (_, i) => benches.length - i);
    // One after another helps nothing where one alone is too much.
    const staggers = trips && stays(together(hungriest.slice(0, 1), 0)) ? STAGGERS : [];
    const withCharge = (ohms: number): boolean => {
      const changed = change(layout, (draft) => chargeThrough(draft, trainId, supplyId, ohms)).layout;
      return stays(together(onSupplies(changed, trainId).get(supplyId)!, staggerSeconds));
    };
    const every = Math.max(1, Math.ceil(now.amps.length / MOST_POINTS));
    const kept = Array.from({ length: Math.ceil(now.amps.length / every) }, (_, i) => i * every);
    return {
      supplyId,
      cars: benches.length,
      staggerSeconds,
      seconds: kept.map((i) => i * now.step),
      amps: kept.map((i) => Math.max(...now.amps.slice(i, i + every))),
      peakAmps: now.peakAmps,
      overSeconds: now.overSeconds,
      overInAllSeconds: now.overInAllSeconds,
      limitAmps: limit.amps,
      tripSeconds: limit.seconds,
      rms: now.rms,
      trips,
      tripsAtSeconds: now.tripsAtSeconds,
      angleDegrees: now.angleDegrees,
      atOnce: trips
        ? (leastOf(counts.slice(1), (n) => stays(together(hungriest.slice(0, n), 0))) ?? 0)
        : benches.length,
      staggerNeeded: staggers.find((s) => s > staggerSeconds && stays(together(benches, s))) ?? null,
      chargeOhmsNeeded: trips
        ? leastOf(preferredBetween(LEAST_CHARGE_OHMS, MOST_CHARGE_OHMS, 'E12'), withCharge)
        : null,
    };
  });
}
