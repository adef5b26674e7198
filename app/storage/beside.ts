import { proxy, wrap } from 'comlink';
import type { FileTasks } from '../workers/files-worker';

/** How often what reads files is asked whether it lives, and how often it may be silent: two minutes of one large text. */
const BEAT_MS = 5000;
const MOST_MISSED = 24;
/** Shares are told no more often than the page can show them. */
const TELL_MS = 50;

/** The person stopped it. */
export class Stopped extends Error {}

const start = (): Worker =>
  new Worker(import.meta.env.DEV ? '/app/workers/files-worker.ts' : '/files-worker.js', { type: 'module' });

/**
 * Has work on files done beside the page, by a worker of its own.
 * @param tell how far it is, 0 to 1
 * @param stop ends it at once, whatever it does
 * @throws Stopped when it was stopped
 * @throws Error when what does it cannot be loaded, or was lost
 */
export function besideThePage<T>(
  does: (tasks: FileTasks, tell: (share: number) => void) => Promise<T>,
  tell: (share: number) => void,
  stop: AbortSignal,
  make: () => Worker = start,
): Promise<T> {
  return new Promise<T>((resolve, reject) => {
    const worker = make();
    // All tasks promise already, so that from here they look as they do there.
    const tasks = wrap(worker) as unknown as FileTasks;
    let missed = 0;
    const end = (settle: () => void): void => {
      clearInterval(beat);
      stop.removeEventListener('abort', stopped);
      worker.terminate();
      settle();
    };
    const lost = (): void =>
      end(() =>
        reject(new Error('What reads and writes files has stopped; nothing was changed. Try it again.')),
      );
    const stopped = (): void => end(() => reject(new Stopped('Stopped; nothing was changed.')));
    const beat = setInterval(() => {
      if (++missed > MOST_MISSED) return lost();
      tasks.ping().then(
        () => (missed = 0),
        () => undefined,
      );
    }, BEAT_MS);
    worker.addEventListener('error', (event) => {
      event.preventDefault();
      lost();
    });
    worker.addEventListener('messageerror', lost);
    if (stop.aborted) return stopped();
    stop.addEventListener('abort', stopped);
    let told = -Infinity;
    const hear = proxy((share: number) => {
      missed = 0;
      if (performance.now() - told < TELL_MS) return;
      told = performance.now();
      tell(share);
    });
    does(tasks, hear).then(
      (answer) => end(() => resolve(answer)),
      (error: unknown) => end(() => reject(error instanceof Error ? error : new Error(String(error)))),
    );
  });
}
