import { useMemo, useRef } from 'react';
import { CircuitError } from '../../core/circuit/error';
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

/** The part a kernel's refusal is about, in the person's words. */
function explained(error: unknown, bench: Bench): string {
  if (!(error instanceof CircuitError)) return error instanceof Error ? error.message : String(error);
  const parts = error.elements
    .map((id) => bench.lowered.netlist.elements.find((e) => e.id === id)?.of?.part)
    .map((id) => bench.assembly.parts.find((p) => p.id === id)?.label)
    .filter((label) => label !== undefined);
  const names = [...new Set(parts)].slice(0, 4).join(', ');
  return names === '' ? error.message : `No answer was found for ${names}.`;
}

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
      return { bench, steady: null, light: null, failure: explained(error, bench) };
    }
  }, [layout, jobId, throttle, direction]);
}
