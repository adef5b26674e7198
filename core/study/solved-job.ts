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
  readonly supply: unknown;
  readonly drawer: unknown;
  readonly solved: SolvedJob;
}

const known = new WeakMap<AnyJob, Known>();
/** Charges of the last answer of a job, by its id: where the next search begins. */
const lastStored = new Map<string, Float64Array>();

/** Solves a job of a layout; one that has not changed is not solved again. */
export function solvedJob(layout: Layout, id: string): SolvedJob {
  const job = layout.jobs[id];
  const supply = layout.supplies[job.supplyId];
  const before = known.get(job);
  if (before && before.supply === supply && before.drawer === layout.drawer && before.solved.id === id)
    return before.solved;
  let bench: Bench | null;
  let readings: Readings | null = null;
  // What cannot be solved is shown dark; the bench says why.
  try {
    bench = benchOf(layout, id);
    const solved = new Solver(bench).at(usualState(bench), { guess: lastStored.get(id) });
    lastStored.set(id, solved.stored);
    readings = solved;
  } catch {
    bench = null;
  }
  const solved = { id, job, bench, readings };
  known.set(job, { supply, drawer: layout.drawer, solved });
  return solved;
}
