import { useMemo, useRef } from 'react';
import { namedFailure } from '../../core/assembly/named-failure';
import { benchOf, madeFor, type Bench } from '../../core/study/bench';
import { steadyStudy, type SteadyStudy } from '../../core/study/steady';
import { coachLight, type CoachLight } from '../../core/study/coach-light';
import { coachIn } from '../../core/document/jobs';
import type { Controls } from '../../core/supply';
import type { Layout } from '../../core/document/layout';

export interface Solved {
  readonly bench: Bench;
  /** Null when the circuit cannot be solved; `failure` then says why. */
  readonly steady: SteadyStudy | null;
  readonly light: CoachLight | null;
  readonly failure: string | null;
}

const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** The controls a job of a layout is made for. */
export function usualOf(layout: Layout, jobId: string): Controls {
  return madeFor(layout.supplies[coachIn(layout, jobId).supplyId]);
}

/**
 * Solves a job's periodic steady state whenever layout or controls change, starting from the last answer.
 * @param controls those it is made for when left out
 */
export function useSolved(layout: Layout, jobId: string, controls?: Controls): Solved {
  const last = useRef<Float64Array | undefined>(undefined);
  const { throttle, direction } = controls ?? usualOf(layout, jobId);
  return useMemo(() => {
    const bench = benchOf(layout, jobId, [], { throttle, direction });
    try {
      // The warm start is only a guess: it changes how fast the answer comes, not what it is.
      // eslint-disable-next-line react-hooks/refs
      const steady = steadyStudy(bench, last.current);
      // eslint-disable-next-line react-hooks/refs
      last.current = steady.stored;
      return { bench, steady, light: coachLight(bench.job, steady), failure: null };
    } catch (error) {
      return {
        bench,
        steady: null,
        light: null,
        failure: wordsOf(namedFailure(error, bench.assembly, bench.lowered)),
      };
    }
  }, [layout, jobId, throttle, direction]);
}
