import { useMemo, useRef } from 'react';
import { mainLineId } from '../../core/document/line-stages';
import { benchOf, type Bench } from '../../core/study/bench';
import { lineVolts, rectifierVolts, reservoirVolts } from '../../core/study/line-readings';
import { Solver } from '../../core/study/solver';
import { usualState } from '../../core/study/states';
import { coachIn } from '../../core/kinds/coach/jobs';
import { coachLight, type CoachLight } from '../../core/kinds/coach/light';
import { controlsIn } from '../../core/study/drive';
import type { Controls } from '../../core/supply';
import type { Layout } from '../../core/document/layout';
import type { CoachRecord } from '../../core/kinds/coach/record';
import type { Readings } from '../../core/study/readings';
import type { Spread } from '../../core/circuit/average';

export interface Solved {
  readonly bench: Bench<CoachRecord>;
  /** How a hand has set its supply. */
  readonly controls: Controls;
  /** Null when the circuit cannot be solved; `failure` then says why. */
  readonly steady: Readings | null;
  /** Between plus line and return, over the reservoir, and what the rectifier takes; null where there is none. */
  readonly roofVolts: Spread | null;
  readonly reservoirVolts: Spread | null;
  readonly bridgeVolts: number | null;
  readonly light: CoachLight | null;
  readonly failure: string | null;
}

/** The controls a job of a layout is made for. */
export function usualOf(layout: Layout, jobId: string): Controls {
  const job = coachIn(layout, jobId);
  return controlsIn(usualState({ job, supply: layout.supplies[job.supplyId] }));
}

/**
 * Solves a job's periodic steady state whenever layout or controls change, starting from the last answer.
 * @param controls those it is made for when left out
 */
export function useSolved(layout: Layout, jobId: string, controls?: Controls): Solved {
  const last = useRef<Float64Array | undefined>(undefined);
  const { throttle, direction } = controls ?? usualOf(layout, jobId);
  return useMemo(() => {
    const bench = { ...benchOf(layout, jobId), job: coachIn(layout, jobId) };
    const held = { throttle, direction };
    try {
      const state = usualState(bench, held);
      // The warm start is only a guess: it changes how fast the answer comes, not what it is.
      // eslint-disable-next-line react-hooks/refs
      const steady = new Solver(bench).at(state, { guess: last.current });
      // eslint-disable-next-line react-hooks/refs
      last.current = steady.stored;
      return {
        bench,
        controls: held,
        steady,
        roofVolts: lineVolts(bench, steady),
        reservoirVolts: reservoirVolts(bench, steady),
        bridgeVolts: rectifierVolts(bench, steady, mainLineId(bench.job) ?? ''),
        light: coachLight(bench.job, steady),
        failure: null,
      };
    } catch (error) {
      const failure = error instanceof Error ? error.message : String(error);
      const none = { steady: null, roofVolts: null, reservoirVolts: null, bridgeVolts: null, light: null };
      return { bench, controls: held, ...none, failure };
    }
  }, [layout, jobId, throttle, direction]);
}
