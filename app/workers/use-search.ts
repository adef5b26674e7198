import { proxy, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { StudyRunner } from './use-task';
import type { StudyTasks } from './study-worker';

export interface SearchState<T> {
  /** 0 to 1 while it runs; null when nothing runs. */
  readonly share: number | null;
  readonly answer: T | null;
  readonly failure: string | null;
  readonly start: (search: (tasks: Remote<StudyTasks>, tell: (share: number) => void) => Promise<T>) => void;
  readonly cancel: () => void;
}

/**
 * A search in a worker that is asked for by a press, says how far it is and can be stopped.
 * @param of what the answer is about; another one drops the answer and stops the search
 */
export function useSearch<T>(of: unknown): SearchState<T> {
  const runner = useRef<StudyRunner | null>(null);
  const [state, setState] = useState<{
    of: unknown;
    share: number | null;
    answer: T | null;
    failure: string | null;
  }>({ of, share: null, answer: null, failure: null });
  const stop = (): void => {
    runner.current?.stop();
    runner.current = null;
  };
  useEffect(() => stop, [of]);
  const start: SearchState<T>['start'] = (search) => {
    stop();
    const mine = new StudyRunner();
    runner.current = mine;
    const isMine = (): boolean => runner.current === mine;
    setState({ of, share: 0, answer: null, failure: null });
    mine
      .run((tasks) =>
        search(
          tasks,
          proxy((share: number) => {
            // Word of how far it is may come after the answer.
            if (isMine()) setState((s) => (s.share === null ? s : { ...s, share }));
          }),
        ),
      )
      .then(
        (answer) => isMine() && setState({ of, share: null, answer, failure: null }),
        (error: unknown) =>
          isMine() &&
          setState({
            of,
            share: null,
            answer: null,
            failure: error instanceof Error ? error.message : String(error),
          }),
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
