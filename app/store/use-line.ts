import { useMemo } from 'react';
import { coachesOf } from '../../core/kinds/coach/jobs';
import { solvedCoach, type SolvedCoach } from '../../core/kinds/coach/solved-coach';
import type { Layout } from '../../core/document/layout';

export type LineJob = SolvedCoach;

/** Every coach of a layout in its order, solved as it stands every day; what has not changed is not solved again. */
export function useLine(layout: Layout): readonly LineJob[] {
  return useMemo(() => coachesOf(layout).map((j) => solvedCoach(layout, j.id)), [layout]);
}
