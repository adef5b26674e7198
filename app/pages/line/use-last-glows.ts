import { useEffect } from 'react';
import { glowOf, type Glow } from '../../../core/study/glow';
import { keepGlows } from '../../storage/session';
import { useLayoutStore } from '../../store/layout-store';
import { useShelfStore } from '../../store/shelf-store';
import type { SolvedJobs } from '../../store/use-solved-jobs';

export type GlowOf = (jobId: string) => Glow | null;

/**
 * How each job looks: as solved, and as it last looked here while it is being solved.
 * @param all ids of the jobs
 */
export function useLastGlows(solved: SolvedJobs, all: readonly string[]): GlowOf {
  const layoutId = useLayoutStore((s) => s.layoutId);
  const last = useShelfStore((s) => s.cards?.find((c) => c.id === layoutId)?.glows);
  const ready = all.filter((id) => solved.get(id)).length;
  const glows = new Map(
    [...solved].flatMap(([id, job]): [string, Glow][] =>
      job ? [[id, job.readings ? glowOf(job.readings) : { lumens: 0, colour: null }]] : [],
    ),
  );
  useEffect(() => {
    if (layoutId === null || ready < all.length) return;
    const now = Object.fromEntries(glows);
    if (JSON.stringify(now) !== JSON.stringify(last)) void keepGlows(layoutId, now).catch(() => undefined);
    // What has been solved is told by how many are: each is kept once.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [layoutId, ready, all.length]);
  return (id) => glows.get(id) ?? last?.[id] ?? null;
}
