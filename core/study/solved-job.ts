import { benchOf } from './bench';
import { coachLight, type CoachLight } from './coach-light';
import { steadyStudy, type SteadyStudy } from './steady';
import { coachIn } from '../document/jobs';
import type { Job, Layout } from '../document/layout';

/** A job as solved with the controls it is made for; null figures where it cannot be. */
export interface SolvedJob {
  readonly id: string;
  readonly job: Job;
  readonly steady: SteadyStudy | null;
  readonly light: CoachLight | null;
}

interface Known {
  readonly supply: unknown;
  readonly drawer: unknown;
  readonly solved: SolvedJob;
}

const known = new WeakMap<Job, Known>();
/** Charges of the last answer of a job, by its id: where the next search begins. */
const lastStored = new Map<string, Float64Array>();

/** Solves a job of a layout; one that has not changed is not solved again. */
export function solvedJob(layout: Layout, id: string): SolvedJob {
  const job = coachIn(layout, id);
  const supply = layout.supplies[job.supplyId];
  const before = known.get(job);
  if (before && before.supply === supply && before.drawer === layout.drawer && before.solved.id === id)
    return before.solved;
  let solved: SolvedJob;
  try {
    const steady = steadyStudy(benchOf(layout, id), lastStored.get(id));
    lastStored.set(id, steady.stored);
    solved = { id, job, steady, light: coachLight(job, steady) };
  } catch {
    // The bench says why; elsewhere it is shown dark.
    solved = { id, job, steady: null, light: null };
  }
  known.set(job, { supply, drawer: layout.drawer, solved });
  return solved;
}
