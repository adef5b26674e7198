import { useMemo } from 'react';
import { benchOf } from '../../core/study/bench';
import { steadyStudy, type SteadyStudy } from '../../core/study/steady';
import { coachLight, type CoachLight } from '../../core/study/coach-light';
import { inOrder, type Job, type Layout } from '../../core/document/layout';

/** A job of the line as solved; null figures where it cannot be. */
export interface LineJob {
  readonly id: string;
  readonly job: Job;
  readonly steady: SteadyStudy | null;
  readonly light: CoachLight | null;
}

const solvedJobs = new WeakMap<Job, { supply: unknown; drawer: unknown; solved: LineJob }>();

function solve(layout: Layout, id: string): LineJob {
  const job = layout.jobs[id];
  const supply = layout.supplies[job.supplyId];
  const known = solvedJobs.get(job);
  if (known && known.supply === supply && known.drawer === layout.drawer && known.solved.id === id)
    return known.solved;
  let solved: LineJob;
  try {
    const steady = steadyStudy(benchOf(layout, id));
    solved = { id, job, steady, light: coachLight(job, steady) };
  } catch {
    // The bench says why; the line shows it dark.
    solved = { id, job, steady: null, light: null };
  }
  solvedJobs.set(job, { supply, drawer: layout.drawer, solved });
  return solved;
}

/** Every job of a layout in its order, solved with the controls it is made for; what has not changed is not solved again. */
export function useLine(layout: Layout): readonly LineJob[] {
  return useMemo(() => inOrder(layout.jobs).map((j) => solve(layout, j.id)), [layout]);
}
