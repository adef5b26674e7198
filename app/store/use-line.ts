import { useMemo } from 'react';
import type { Layout } from '../../core/document/layout';
import { coachesOf } from '../../core/document/jobs';
import { solvedJob, type SolvedJob } from '../../core/study/solved-job';

export type LineJob = SolvedJob;

/** Every job of a layout in its order, solved with the controls it is made for; what has not changed is not solved again. */
export function useLine(layout: Layout): readonly LineJob[] {
  return useMemo(() => coachesOf(layout).map((j) => solvedJob(layout, j.id)), [layout]);
}
