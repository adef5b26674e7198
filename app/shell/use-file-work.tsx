import { lazy, Suspense, useState, type ReactNode } from 'react';
import { besideThePage } from '../storage/beside';

const FileProgress = lazy(() => import('./file-progress'));

/** Work on a file that takes no longer than this says nothing of how far it is. */
const SAY_AFTER_MS = 300;

type Does<T> = Parameters<typeof besideThePage<T>>[0];

/** Work on files beside the page; one that takes its time says how far it is and can be stopped. */
export function useFileWork(): {
  readonly work: <T>(title: string, does: Does<T>) => Promise<T>;
  readonly progress: ReactNode;
} {
  const [shown, setShown] = useState<{ title: string; share: number; stop: () => void } | null>(null);
  const work = async <T,>(title: string, does: Does<T>): Promise<T> => {
    const stopping = new AbortController();
    const stop = (): void => stopping.abort();
    const timer = setTimeout(() => setShown((s) => s ?? { title, share: 0, stop }), SAY_AFTER_MS);
    try {
      return await besideThePage(
        does,
        (share) => setShown((s) => s && { title, share, stop }),
        stopping.signal,
      );
    } finally {
      clearTimeout(timer);
      setShown(null);
    }
  };
  return { work, progress: <Suspense fallback={null}>{shown && <FileProgress {...shown} />}</Suspense> };
}
