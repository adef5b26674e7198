import { useMemo } from 'react';
import { gravestFirst } from '../../core/finding/gravest-first';
import { useStudy } from '../workers/use-study';
import type { Finding } from '../../core/finding/finding';
import type { Layout } from '../../core/document/layout';

/** What is known of a job's findings. */
export interface JudgedJob {
  readonly findings: readonly Finding[];
  /** What is there soon has been judged at least once. */
  readonly begun: boolean;
  readonly stale: boolean;
  readonly failure: string | null;
}

/** Judges a job whenever something that concerns it changes: what is there soon first, what takes long after it. */
export function useJudged(layout: Layout, jobId: string, supplyId?: string): JudgedJob {
  const quick = useStudy('judge', layout, { jobId, supplyId, asked: 'quick' });
  const slow = useStudy('judge', layout, { jobId, supplyId, asked: 'slow' }, 'slow');
  const findings = useMemo(
    () => gravestFirst([...(quick.answer ?? []), ...(slow.answer ?? [])]),
    [quick.answer, slow.answer],
  );
  return {
    findings,
    begun: quick.answer !== null,
    stale: quick.stale || slow.stale,
    failure: quick.failure ?? slow.failure,
  };
}
