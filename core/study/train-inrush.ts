import { benchOf } from './bench';
import { inrushTrace, type InrushTrace } from './inrush';
import { supplyKind } from '../supply';
import { trainStudy } from './train';
import type { AnyJob } from '../document/layout';
import type { Layout } from '../document/layout';

/** The first moments of a train after the power comes on, all reservoirs empty, on one supply. */
export interface TrainInrush {
  readonly supplyId: string;
  readonly staggerSeconds: number;
  /** Seconds, and amperes drawn by all together, at most, from there to the next. */
  readonly seconds: readonly number[];
  readonly amps: readonly number[];
  readonly peakAmps: number;
  /** Longest stretch for which more than the supply's limit is drawn. */
  readonly overSeconds: number;
  readonly limitAmps: number;
  readonly tripSeconds: number;
  readonly trips: boolean;
  /** The shortest usual stagger with which it does not trip; null when none helps. */
  readonly staggerNeeded: number | null;
}

/** Staggers that are tried, in seconds. */
const STAGGERS = [0, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1] as const;
/** Points that are told for a curve. */
const MOST_POINTS = 240;

const traces = new WeakMap<AnyJob, { supply: unknown; drawer: unknown; trace: InrushTrace }>();

function traceOf(layout: Layout, jobId: string): InrushTrace {
  const job = layout.jobs[jobId];
  const supply = layout.supplies[job.supplyId];
  const before = traces.get(job);
  if (before?.supply === supply && before.drawer === layout.drawer) return before.trace;
  const trace = inrushTrace(benchOf(layout, jobId));
  traces.set(job, { supply, drawer: layout.drawer, trace });
  return trace;
}

/**
 * What a train draws when its track gets power: every coach's own charging, added up, each coach
 * beginning its stagger later than the one before. Each is solved as if alone on the supply, so the sum is an
 * upper bound: together they lower the voltage a little for one another.
 * @returns one for each supply that feeds coaches of the train, cells left out
 */
export function trainInrush(
  layout: Layout,
  trainId: string,
  onProgress?: (share: number) => boolean | undefined,
): TrainInrush[] {
  const study = trainStudy(layout, trainId);
  const solved = study.cars.map((car, i) => {
    const trace = layout.supplies[car.job.supplyId].kind === 'cell' ? null : traceOf(layout, car.id);
    onProgress?.((i + 1) / study.cars.length);
    return { car, trace };
  });
  return study.draws
    .filter((d) => d.limitAmps !== null)
    .map((draw) => {
      const supply = layout.supplies[draw.supplyId];
      const limit = supplyKind(supply).limit(supply);
      const own = solved.flatMap(({ car, trace }) =>
        car.job.supplyId === draw.supplyId && trace ? [trace] : [],
      );
      const at = (stagger: number) => added(own, stagger, limit.amps);
      const trips = (a: { overSeconds: number }): boolean => a.overSeconds > limit.seconds;
      const now = at(study.train.staggerSeconds);
      const every = Math.max(1, Math.ceil(now.amps.length / MOST_POINTS));
      const kept = Array.from({ length: Math.ceil(now.amps.length / every) }, (_, i) => i * every);
      return {
        supplyId: draw.supplyId,
        staggerSeconds: study.train.staggerSeconds,
        seconds: kept.map((i) => i * now.step),
        amps: kept.map((i) => Math.max(...now.amps.slice(i, i + every))),
        peakAmps: now.peakAmps,
        overSeconds: now.overSeconds,
        limitAmps: limit.amps,
        tripSeconds: limit.seconds,
        trips: trips(now),
        staggerNeeded: STAGGERS.find((s) => !trips(at(s))) ?? null,
      };
    });
}

/** All traces on one time base, each so much later than the one before it. */
function added(
  own: readonly InrushTrace[],
  stagger: number,
  limitAmps: number,
): { step: number; amps: Float64Array; peakAmps: number; overSeconds: number } {
  const step = Math.min(...own.map((t) => t.step), 1e-4);
  const stop = Math.max(...own.map((t, i) => i * stagger + t.step * t.amps.length), step);
  const amps = new Float64Array(Math.ceil(stop / step));
  own.forEach((trace, i) => {
    const from = Math.round((i * stagger) / step);
    for (let k = from; k < amps.length; k++) {
      const j = Math.floor(((k - from) * step) / trace.step);
      amps[k] += j < trace.amps.length ? trace.amps[j] : trace.settledAmps;
    }
  });
  let peakAmps = 0;
  let over = 0;
  let overSeconds = 0;
  for (const a of amps) {
    peakAmps = Math.max(peakAmps, a);
    over = a > limitAmps ? over + step : 0;
    overSeconds = Math.max(overSeconds, over);
  }
  return { step, amps, peakAmps, overSeconds };
}
