import { useMemo, useState } from 'react';
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

/**
 * Judges a job whenever something that concerns it changes: what is there soon first, what takes long once
 * that has spoken, so that the two do not take the time of each other.
 */
export function useJudged(layout: Layout, jobId: string, supplyId?: string): JudgedJob {
  const quick = useStudy('judge', layout, { jobId, supplyId, asked: 'quick' });
  const slow = useStudy('judge', layout, quick.told ? { jobId, supplyId, asked: 'slow' } : null, 'slow');
  const findings = useMemo(
    () => gravestFirst([...(quick.answer ?? []), ...(slow.answer ?? [])]),
    [quick.answer, slow.answer],
  );
  const stale = quick.stale || slow.stale;
  const [whole, setWhole] = useState<readonly Finding[]>([]);
  if (!stale && whole !== findings) setWhole(findings);
  const shown = useMemo(
    () => (stale && whole !== findings ? withCuresOf(whole, findings) : findings),
    [stale, whole, findings],
  );
  return {
    findings: shown,
    begun: quick.answer !== null,
    stale,
    failure: quick.failure ?? slow.failure,
  };
}

/** Findings whose cures are still being tried keep the places of those they had: the list must not jump. */
const withCuresOf = (before: readonly Finding[], now: readonly Finding[]): Finding[] =>
  now.map((f) => {
    if (f.remedies.length > 0 || f.follows !== undefined) return f;
    const was = before.find((b) => b.id === f.id);
    return {
      ...f,
      remedies: was?.remedies ?? [],
      ...(was?.follows !== undefined && { follows: was.follows }),
    };
  });
