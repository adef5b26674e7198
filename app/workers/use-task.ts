import { wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { StudyTasks } from './study-worker';

/** A worker that is thrown away when its task is no longer wanted, and made anew for the next. */
export class StudyRunner {
  private worker: Worker | null = null;
  private remote: Remote<StudyTasks> | null = null;
  private busy = 0;

  async run<T>(task: (tasks: Remote<StudyTasks>) => Promise<T>): Promise<T> {
    if (!this.worker || !this.remote) {
      this.worker = new Worker(new URL('./study-worker.ts', import.meta.url), { type: 'module' });
      this.remote = wrap<StudyTasks>(this.worker);
    }
    this.busy++;
    try {
      return await task(this.remote);
    } finally {
      this.busy--;
    }
  }

  /** Stops what is running; nothing is heard of it any more. */
  cancel(): void {
    if (this.busy > 0) this.stop();
  }

  /** Throws the worker away, whatever it does. */
  stop(): void {
    this.worker?.terminate();
    this.worker = null;
    this.remote = null;
    this.busy = 0;
  }
}

export interface TaskState<T> {
  readonly answer: T | null;
  /** The answer belongs to an older state of the job; a new one is being worked out. */
  readonly stale: boolean;
  readonly failure: string | null;
  /** Set when the person stopped it. */
  readonly cancelled: boolean;
  readonly cancel: () => void;
}

/** Pause after the last edit before a task starts. */
const QUIET_MS = 60;

/**
 * Runs a task in a worker whenever its inputs change; a run that is overtaken is stopped.
 * @param task null when there is nothing to ask
 * @param inputs what the answer hangs on
 */
export function useTask<T>(
  task: ((tasks: Remote<StudyTasks>) => Promise<T>) | null,
  inputs: readonly unknown[],
): TaskState<T> {
  const runner = useRef<StudyRunner | null>(null);
  const [state, setState] = useState<{
    answer: T | null;
    stale: boolean;
    failure: string | null;
    cancelled: boolean;
  }>({
    answer: null,
    stale: true,
    failure: null,
    cancelled: false,
  });
  useEffect(() => {
    if (!task) return;
    runner.current ??= new StudyRunner();
    const mine = runner.current;
    mine.cancel();
    let current = true;
    // The old answer stays on the screen, marked, until the new one is there.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setState((s) => ({ ...s, stale: true, cancelled: false }));
    const timer = setTimeout(() => {
      mine.run(task).then(
        (answer) => current && setState({ answer, stale: false, failure: null, cancelled: false }),
        (error: unknown) =>
          current &&
          setState({
            answer: null,
            stale: false,
            failure: error instanceof Error ? error.message : String(error),
            cancelled: false,
          }),
      );
    }, QUIET_MS);
    return () => {
      current = false;
      clearTimeout(timer);
    };
    // The task is made anew at every rendering; its inputs say when it differs.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, inputs);
  useEffect(() => () => runner.current?.cancel(), []);
  const cancel = (): void => {
    runner.current?.cancel();
    setState((s) => ({ ...s, cancelled: true }));
  };
  return { ...state, cancel };
}
