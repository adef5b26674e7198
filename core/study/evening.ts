import { cellTypes } from '../part/cell';
import { supplyKind } from '../supply';
import type { EveningRecord } from '../document/evening-record';
import { deliveredBy, sourcesOf } from './sources';
import type { Layout } from '../document/layout';
import type { SolvedJob } from './solved-job';

/** A time at which something is lit is no shorter when it is added. */
const LEAST_MINUTES = 5;

/** What a job takes of one of its supplies while it is lit. */
export interface Taking {
  readonly supplyId: string;
  readonly amps: number;
  /** Between the supply's two sides at the job, without sign. */
  readonly volts: number;
}

/** What a solved job takes of each supply it hangs on; nothing where it has no answer. */
export const takingsOf = ({ bench, readings }: Pick<SolvedJob, 'bench' | 'readings'>): Taking[] =>
  bench && readings
    ? sourcesOf(bench).map((source) => {
        const { amps, volts } = deliveredBy(readings, source);
        return { supplyId: source.supplyId, amps: amps.mean, volts: volts.mean };
      })
    : [];

/** When a job is lit, in minutes after the evening began, ascending and apart. */
export type Spans = readonly (readonly [number, number])[];

/** What one supply gives over an evening. */
export interface SupplyEvening {
  readonly supplyId: string;
  /** Current from each moment on until the next, in order. */
  readonly steps: readonly { readonly fromMinutes: number; readonly amps: number }[];
  readonly greatestAmps: number;
  /** When it is greatest first, in minutes after it began. */
  readonly greatestAtMinutes: number;
  /** What it may give at the most. */
  readonly limitAmps: number;
  readonly wattHours: number;
  /** Of a cell: what of its charge is taken, 1 for all of it; null for what is no cell. */
  readonly chargeShare: number | null;
}

/** Spans that overlap or lie outside the evening made plain. */
export function spansOf(evening: EveningRecord, jobId: string): Spans {
  const last = evening.lastsMinutes;
  if (!Object.hasOwn(evening.lit, jobId)) return [[0, last]];
  const sorted = evening.lit[jobId]
    .map((s): [number, number] => [Math.max(0, s.fromMinutes), Math.min(last, s.toMinutes)])
    .filter(([from, to]) => to > from)
    .sort((a, b) => a[0] - b[0]);
  const joined: [number, number][] = [];
  for (const [from, to] of sorted) {
    const before = joined[joined.length - 1] as [number, number] | undefined;
    if (before && from <= before[1]) before[1] = Math.max(before[1], to);
    else joined.push([from, to]);
  }
  return joined;
}

/**
 * One more time at which a job is lit: in the middle third of the longest it is dark for.
 * @returns all its times; as they were where it is never dark for long enough
 */
export function litOnceMore(evening: EveningRecord, jobId: string): Spans {
  const spans = spansOf(evening, jobId);
  const ends = [0, ...spans.flat(), evening.lastsMinutes];
  let [from, length] = [0, 0];
  for (let i = 0; i < ends.length; i += 2)
    if (ends[i + 1] - ends[i] > length) [from, length] = [ends[i], ends[i + 1] - ends[i]];
  if (length < 3 * LEAST_MINUTES) return spans;
  const third = LEAST_MINUTES * Math.floor(length / 3 / LEAST_MINUTES);
  const more: [number, number] = [from + third, from + 2 * third];
  return [...spans, more].sort((a, b) => a[0] - b[0]);
}

/** Whether a job is lit so many minutes after the evening began. */
export const isLitAt = (evening: EveningRecord, jobId: string, minutes: number): boolean =>
  spansOf(evening, jobId).some(([from, to]) => minutes >= from && minutes < to);

/**
 * What each supply gives over an evening: the sum of its jobs' currents while they are lit, its
 * greatest, and its energy (volts times amperes times hours).
 * @param taking of jobs that are solved; those left out draw nothing
 */
export function eveningStudy(
  layout: Layout,
  taking: ReadonlyMap<string, readonly Taking[]>,
): SupplyEvening[] {
  const { evening } = layout;
  const bySupply = new Map<string, { readonly of: Taking; readonly spans: Spans }[]>();
  for (const [jobId, takings] of taking)
    for (const of of takings) {
      const own = bySupply.get(of.supplyId) ?? [];
      own.push({ of, spans: spansOf(evening, jobId) });
      bySupply.set(of.supplyId, own);
    }
  return [...bySupply].map(([supplyId, jobs]) => {
    const supply = layout.supplies[supplyId];
    const moments = [...new Set([0, ...jobs.flatMap((j) => j.spans.flat())])]
      .filter((m) => m < evening.lastsMinutes)
      .sort((a, b) => a - b);
    const lit = (spans: Spans, at: number): boolean => spans.some(([from, to]) => at >= from && at < to);
    const steps = moments.map((fromMinutes) => ({
      fromMinutes,
      amps: jobs.reduce((sum, { of, spans }) => sum + (lit(spans, fromMinutes) ? of.amps : 0), 0),
    }));
    const greatest = steps.reduce((most, s) => (s.amps > most.amps ? s : most));
    const hours = (spans: Spans): number => spans.reduce((sum, [from, to]) => sum + (to - from) / 60, 0);
    const ampHours = jobs.reduce((sum, { of, spans }) => sum + of.amps * hours(spans), 0);
    return {
      supplyId,
      steps,
      greatestAmps: greatest.amps,
      greatestAtMinutes: greatest.fromMinutes,
      limitAmps: supplyKind(supply).limit(supply).amps,
      wattHours: jobs.reduce((sum, { of, spans }) => sum + of.amps * of.volts * hours(spans), 0),
      chargeShare: supply.kind === 'cell' ? (1000 * ampHours) / cellTypes[supply.cell].milliampHours : null,
    };
  });
}
