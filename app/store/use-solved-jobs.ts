import { useEffect, useState } from 'react';
import { keepSolved, knownJob, type SolvedJob } from '../../core/study/solved-job';
import { desk } from '../workers/desk';
import type { Layout } from '../../core/document/layout';

/** Jobs as they stand every day, by id; undefined while one is being solved. */
export type SolvedJobs = ReadonlyMap<string, SolvedJob | undefined>;

/** Solves jobs beside the interface, one after another; what has not changed is not solved again. */
export function useSolvedJobs(layout: Layout, ids: readonly string[]): SolvedJobs {
  const [, setCount] = useState(0);
  const there = ids.filter((id) => Object.hasOwn(layout.jobs, id));
  const missing = there.filter((id) => !knownJob(layout, id)).join('\n');
  useEffect(() => {
    let current = true;
    const solve = async (): Promise<void> => {
      for (const jobId of missing.split('\n').filter(Boolean)) {
        // What cannot be solved is shown dark; the bench says why.
        const readings = await desk.ask('usual', layout, { jobId }).answer.catch(() => null);
        if (!current) return;
        keepSolved(layout, jobId, readings);
        setCount((n) => n + 1);
      }
    };
    void solve();
    return () => {
      current = false;
    };
  }, [layout, missing]);
  return new Map(there.map((id) => [id, knownJob(layout, id) ?? undefined]));
}
