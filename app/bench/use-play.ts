import { useMemo } from 'react';
import { playOf, type Play } from '../../core/study/play';
import type { Solved } from './solved-job';

/** A job ready to be played; null where it does not move, or has no answer. */
export function usePlay(solved: Solved): Play | null {
  return useMemo(() => {
    if (!solved.readings) return null;
    try {
      return playOf(solved.bench);
    } catch {
      // Why it has no answer is told by its findings.
      return null;
    }
  }, [solved.bench, solved.readings]);
}
