import { supplyIdsOf } from '../document/line-stages';
import { benchOf, type Bench } from './bench';
import { Solver } from './solver';
import { usualState } from './states';
import type { AnyJob, Layout } from '../document/layout';
import type { Readings } from './readings';

/** A job as solved in the state of every day; null figures where it cannot be. */
export interface SolvedJob {
  readonly id: string;
  readonly job: AnyJob;
  readonly bench: Bench | null;
  readonly readings: Readings | null;
}

interface Known {
  readonly supplies: readonly unknown[];
  readonly drawer: unknown;
  readonly solved: SolvedJob;
}

const known = new WeakMap<AnyJob, Known>();
/** Charges of the last answer of a job, by its id: where the next search begins. */
const lastStored = new Map<string, Float64Array>();

const suppliesOf = ({ supplies }: Layout, job: AnyJob): unknown[] =>
  supplyIdsOf(job).map((supplyId) => supplies[supplyId]);

/** A job that was solved before and has not changed since; null for one that has to be solved. */
export function knownJob(layout: Layout, id: string): SolvedJob | null {
  const job = layout.jobs[id];
  const before = known.get(job);
  const same =
    before?.drawer === layout.drawer && suppliesOf(layout, job).every((s, i) => s === before.supplies[i]);
  return before && same && before.solved.id === id ? before.solved : null;
}

/** Keeps what was solved of a job elsewhere: null where it has no answer. */
export function keepSolved(layout: Layout, id: string, readings: Readings | null): SolvedJob {
  const job = layout.jobs[id];
  let bench: Bench | null;
  try {
    bench = benchOf(layout, id);
  } catch {
    bench = null;
  }
  const solved = { id, job, bench, readings };
  known.set(job, { supplies: suppliesOf(layout, job), drawer: layout.drawer, solved });
  return solved;
}

/** Solves a job of a layout; one that has not changed is not solved again. */
export function solvedJob(layout: Layout, id: string): SolvedJob {
  const before = knownJob(layout, id);
  if (before) return before;
  return keepSolved(layout, id, usualReadingsOf(layout, id));
}

/** What is solved of a job every day. What cannot be is shown dark: null; the bench says why. */
function usualReadingsOf(layout: Layout, id: string): Readings | null {
  try {
    const bench = benchOf(layout, id);
    const readings = new Solver(bench).at(usualState(bench), { guess: lastStored.get(id) });
    lastStored.set(id, readings.stored);
    return readings;
  } catch {
    return null;
  }
}
