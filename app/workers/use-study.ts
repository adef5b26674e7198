import { useEffect, useRef, useState } from 'react';
import { concerns } from '../../core/document/concerns';
import {
  desk,
  hand,
  Overtaken,
  TELL_REMARKS,
  type Answer,
  type Asking,
  type Of,
  type QuestionName,
} from './desk';
import type { Layout } from '../../core/document/layout';

export interface TaskState<T> {
  readonly answer: T | null;
  /** The answer belongs to an older state of the job; a new one is being worked out. */
  readonly stale: boolean;
  /** It is of this state of the job, though there may be more to come. */
  readonly told: boolean;
  readonly failure: string | null;
  /** Set when the person stopped it. */
  readonly cancelled: boolean;
  /** How far a long answer is, 0 to 1; null until it is long. */
  readonly share: number | null;
  readonly cancel: () => void;
}

/** How long an answer takes: within a frame, soon, or long enough to wait for. */
export type Pace = 'frame' | 'soon' | 'slow';

/** Pause after the last edit before what is not a frame is asked for. */
const QUIET_MS: Readonly<Record<Pace, number>> = { frame: 0, soon: 30, slow: 60 };

export const textOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** The layout a question was last asked of: another one only when what has changed concerns the job. */
function useConcerning(layout: Layout, jobId: string | undefined, remarks: boolean): Layout {
  const [kept, setKept] = useState({ layout, jobId });
  if (kept.layout === layout && kept.jobId === jobId) return kept.layout;
  if (!remarks && kept.jobId === jobId && !concerns(kept.layout, layout, jobId)) return kept.layout;
  setKept({ layout, jobId });
  return layout;
}

/** What came of a question, and what it was asked of. */
interface Answered<T> {
  readonly asked: Layout | null;
  readonly key: string | null;
  readonly answer: T | null;
  readonly failure: string | null;
  /** It is what could be said before the end; the rest is still being worked out. */
  readonly early: boolean;
  readonly cancelled: boolean;
}

/**
 * Asks a question beside the interface whenever what it is about has changed. The old answer stays,
 * marked, until the new one is there; one that is overtaken is left.
 * @param of null when there is nothing to ask
 */
export function useStudy<Q extends QuestionName>(
  name: Q,
  layout: Layout,
  of: Of<Q> | null,
  pace: Pace = 'soon',
): TaskState<Answer<Q>> {
  const key = of === null ? null : JSON.stringify(of);
  const asked = useConcerning(
    layout,
    (of as { readonly jobId?: string } | null)?.jobId,
    TELL_REMARKS.has(name),
  );
  const asking = useRef<Asking<Answer<Q>> | null>(null);
  const [far, setFar] = useState<{ asked: Layout; key: string; share: number } | null>(null);
  const [state, setState] = useState<Answered<Answer<Q>>>({
    asked: null,
    key: null,
    answer: null,
    failure: null,
    early: false,
    cancelled: false,
  });
  useEffect(() => {
    if (key === null) return;
    let current = true;
    let whole = false;
    const settle = (came: Pick<Answered<Answer<Q>>, 'answer' | 'failure'>): void => {
      whole = true;
      if (current) setState({ asked, key, ...came, early: false, cancelled: false });
    };
    const ask = (): void => {
      const about = JSON.parse(key) as Of<Q>;
      const mine = pace === 'slow' ? hand.ask(name, asked, about) : desk.ask(name, asked, about);
      asking.current = mine;
      mine.onEarly((answer) => {
        if (current && !whole) setState({ asked, key, answer, failure: null, early: true, cancelled: false });
      });
      mine.onShare((told) => {
        if (current && !whole) setFar({ asked, key, share: told });
      });
      mine.answer.then(
        (answer) => settle({ answer, failure: null }),
        (error: unknown) => {
          if (!(error instanceof Overtaken)) settle({ answer: null, failure: textOf(error) });
        },
      );
    };
    const timer = pace === 'frame' ? undefined : setTimeout(ask, QUIET_MS[pace]);
    if (pace === 'frame') ask();
    return () => {
      current = false;
      clearTimeout(timer);
      asking.current?.leave();
      asking.current = null;
    };
  }, [name, asked, key, pace]);
  const current = state.asked === asked && state.key === key;
  const cancel = (): void => {
    asking.current?.leave();
    setState((s) => ({ ...s, asked, key, cancelled: true }));
  };
  const { answer, failure, early, cancelled } = state;
  return {
    answer,
    failure,
    stale: !current || early || cancelled,
    told: current && (answer !== null || failure !== null),
    cancelled: current && cancelled,
    share: !current && far?.asked === asked && far.key === key ? far.share : null,
    cancel,
  };
}
