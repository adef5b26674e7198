import { useDeferredValue, useState, type KeyboardEvent } from 'react';
import { flushSync } from 'react-dom';

/**
 * What is shown as soon as there is time, and at once where a hand comes before that: a press acts on
 * what stands in the layout, never on what was there an edit ago. `catches` goes on the element around it.
 * The press is caught as it is let go: what is under the finger does not move away before.
 */
export function useCaughtUp<T>(now: T): {
  readonly shown: T;
  readonly catches: {
    readonly onClickCapture: () => void;
    readonly onKeyDownCapture: (e: KeyboardEvent) => void;
  };
} {
  const later = useDeferredValue(now);
  const [hurried, setHurried] = useState(now);
  const shown = hurried === now ? now : later;
  const hurry = (): void => {
    if (shown !== now) flushSync(() => setHurried(now));
  };
  return {
    shown,
    catches: {
      onClickCapture: hurry,
      onKeyDownCapture: (e) => {
        if (e.key === 'Enter') hurry();
      },
    },
  };
}
