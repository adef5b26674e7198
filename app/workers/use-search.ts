import { useEffect, useRef, useState } from 'react';
import { useLayoutStore } from '../store/layout-store';
import { hand, type Answer, type Asking, type Of, type QuestionName } from './desk';
import { textOf } from './use-study';
import type { Layout } from '../../core/document/layout';

export interface SearchState<Q extends QuestionName> {
  /** 0 to 1 while it runs; null when nothing runs. */
  readonly share: number | null;
  readonly answer: Answer<Q> | null;
  readonly failure: string | null;
  /** Begins it for the layout as it is now, which a panel may not have followed yet. */
  readonly start: (ask: (layout: Layout) => Of<Q>) => void;
  readonly cancel: () => void;
}

/**
 * A search beside the interface that is asked for by a press, says how far it is and can be stopped.
 * It follows the layout itself: a panel shows what stood a moment ago, and may show it again.
 * @param layout as the panel shows it, where none is open
 * @param about what of a layout the answer is about; another one drops the answer and stops the search
 */
export function useSearch<Q extends QuestionName>(
  name: Q,
  layout: Layout,
  about: (layout: Layout) => unknown,
): SearchState<Q> {
  const open = useLayoutStore((s) => s.layout) ?? layout;
  const of = about(open);
  const asking = useRef<{ readonly of: unknown; readonly asking: Asking<Answer<Q>> } | null>(null);
  const [state, setState] = useState<{
    of: unknown;
    share: number | null;
    answer: Answer<Q> | null;
    failure: string | null;
  }>({ of, share: null, answer: null, failure: null });
  const stop = (): void => {
    asking.current?.asking.leave();
    asking.current = null;
  };
  useEffect(() => {
    if (!asking.current || asking.current.of === of) return;
    stop();
    setState({ of, share: null, answer: null, failure: null });
  }, [of]);
  useEffect(() => stop, []);
  const start = (ask: (layout: Layout) => Of<Q>): void => {
    stop();
    const now = useLayoutStore.getState().layout ?? layout;
    const none = { of: about(now), share: null, answer: null, failure: null };
    setState({ ...none, share: 0 });
    const mine: Asking<Answer<Q>> = hand.search(
      name,
      now,
      ask(now),
      // Word of how far it is may come after the answer.
      (share) => setState((s) => (s.share === null ? s : { ...s, share })),
    );
    asking.current = { of: none.of, asking: mine };
    const isMine = (): boolean => asking.current?.asking === mine;
    mine.answer.then(
      (answer) => isMine() && setState({ ...none, answer }),
      (error: unknown) => isMine() && setState({ ...none, failure: textOf(error) }),
    );
  };
  const cancel = (): void => {
    stop();
    setState({ of, share: null, answer: null, failure: null });
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
