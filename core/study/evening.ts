import { cellTypes, chargeShare } from '../part/cell';
import { supplyKind } from '../supply';
import { usualVoltsOf } from '../supply/usual-volts';
import type { EveningRecord } from '../document/evening-record';
import type { Layout } from '../document/layout';

/** A time at which something is lit is no shorter when it is added. */
const LEAST_MINUTES = 5;

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
  /** Of the cell that is emptied most: what is left of its charge at the end, 1 for all of it, below nothing for one that ends before; null for what is no cell. */
  readonly chargeLeft: number | null;
  /** How long such a cell would feed an evening like this; null for what is no cell, and what takes nothing. */
  readonly emptyAfterHours: number | null;
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

/** What hangs on a supply, as an evening is told of it: each job's share, and what is on all evening. */
export interface EveningLoad {
  readonly supplyId: string;
  readonly jobAmps: Readonly<Record<string, number>>;
  readonly planAmps: number;
}

/**
 * What each supply gives over an evening: the sum of its jobs' currents while they are lit, its
 * greatest, and its energy (volts times amperes times hours, of a cell what is left of it by amperes times hours).
 * @param loads with everything on; what is no job is on throughout
 */
export function eveningStudy(
  { evening, supplies }: Pick<Layout, 'evening' | 'supplies'>,
  loads: readonly EveningLoad[],
): SupplyEvening[] {
  return loads.map(({ supplyId, jobAmps, planAmps }) => {
    const supply = supplies[supplyId];
    const jobs = Object.entries(jobAmps).map(([id, amps]) => ({ amps, spans: spansOf(evening, id) }));
    const moments = [...new Set([0, ...jobs.flatMap((j) => j.spans.flat())])]
      .filter((m) => m < evening.lastsMinutes)
      .sort((a, b) => a - b);
    const lit = (spans: Spans, at: number): boolean => spans.some(([from, to]) => at >= from && at < to);
    const steps = moments.map((fromMinutes) => ({
      fromMinutes,
      amps: jobs.reduce((sum, { amps, spans }) => sum + (lit(spans, fromMinutes) ? amps : 0), planAmps),
    }));
    const greatest = steps.reduce((most, s) => (s.amps > most.amps ? s : most));
    const hours = (spans: Spans): number => spans.reduce((sum, [from, to]) => sum + (to - from) / 60, 0);
    const all = hours([[0, evening.lastsMinutes]]);
    const ampHours = jobs.reduce((sum, { amps, spans }) => sum + amps * hours(spans), planAmps * all);
    const kind = supplyKind(supply);
    // Each job on a cell has one of its own: the one that is emptied most.
    const cell = supply.kind === 'cell' ? supply : null;
    const type = cell && cellTypes[cell.cell];
    const taken = Math.max(
      0,
      ...jobs.map(({ amps, spans }) => (type ? (amps * hours(spans)) / chargeShare(type, amps) : 0)),
    );
    const charge = type ? type.milliampHours / 1000 : Infinity;
    return {
      supplyId,
      steps,
      greatestAmps: greatest.amps,
      greatestAtMinutes: greatest.fromMinutes,
      limitAmps: kind.limit(supply).amps,
      wattHours: ampHours * (usualVoltsOf(supply) ?? kind.highestVolts(supply)),
      chargeLeft: cell ? 1 - cell.spent - taken / charge : null,
      emptyAfterHours: cell && taken > 0 ? (all * (1 - cell.spent) * charge) / taken : null,
    };
  });
}
