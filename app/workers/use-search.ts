import { useEffect, useRef, useState } from 'react';
import { hand, type Answer, type Asking, type Of, type QuestionName } from './desk';
import { textOf } from './use-study';
import type { Layout } from '../../core/document/layout';

export interface SearchState<Q extends QuestionName> {
  /** 0 to 1 while it runs; null when nothing runs. */
  readonly share: number | null;
  readonly answer: Answer<Q> | null;
  readonly failure: string | null;
  readonly start: (layout: Layout, asked: Of<Q>) => void;
  readonly cancel: () => void;
}

/**
 * A search beside the interface that is asked for by a press, says how far it is and can be stopped.
 * @param of what the answer is about; another one drops the answer and stops the search
 */
export function useSearch<Q extends QuestionName>(name: Q, of: unknown): SearchState<Q> {
  const asking = useRef<Asking<Answer<Q>> | null>(null);
  const none = { of, share: null, answer: null, failure: null };
  const [state, setState] = useState<{
    of: unknown;
    share: number | null;
    answer: Answer<Q> | null;
    failure: string | null;
  }>(none);
  const stop = (): void => {
    asking.current?.leave();
    asking.current = null;
  };
  useEffect(() => stop, [of]);
  const start = (layout: Layout, asked: Of<Q>): void => {
    stop();
    setState({ ...none, share: 0 });
    const mine: Asking<Answer<Q>> = hand.search(
      name,
      layout,
      asked,
      // Word of how far it is may come after the answer.
      (share) => setState((s) => (s.share === null ? s : { ...s, share })),
    );
    asking.current = mine;
    const isMine = (): boolean => asking.current === mine;
    mine.answer.then(
      (answer) => isMine() && setState({ ...none, answer }),
      (error: unknown) => isMine() && setState({ ...none, failure: textOf(error) }),
    );
  };
  const cancel = (): void => {
    stop();
    setState(none);
  };
  const current = state.of === of;
  return {
    share: current ? state.share : null,
    answer: current ? state.answer : null,
    failure: current ? state.failure : null,
    start,
    cancel,
  };
}
