import { useDeferredValue, useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { flushSync } from 'react-dom';

/** What is below the stage waits for it no longer than this. */
export const MOST_HELD_MS = 100;

/**
 * What is shown after the stage: as soon as that stands and there is time, and at once where a hand comes
 * before: a press acts on what stands in the layout, never on what was there an edit ago. `catches` goes on
 * the element around it. The press is caught as it is let go: what is under the finger does not move away before.
 * @param stands whether the stage shows it already
 */
export function useCaughtUp<T>(
  now: T,
  stands: boolean,
): {
  readonly shown: T;
  readonly catches: {
    readonly onClickCapture: () => void;
    readonly onKeyDownCapture: (e: KeyboardEvent) => void;
  };
} {
  const [held, setHeld] = useState(now);
  const newest = useRef(now);
  const frame = useRef(0);
  useEffect(() => {
    newest.current = now;
    if (!stands || held === now || frame.current !== 0) return;
    // The frame that shows the stage is drawn before anything else is begun; what moves in every frame is followed.
    frame.current = requestAnimationFrame(() => {
      frame.current = 0;
      setHeld(newest.current);
    });
  }, [now, stands, held]);
  useEffect(
    () => () => {
      cancelAnimationFrame(frame.current);
      frame.current = 0;
    },
    [],
  );
  useEffect(() => {
    if (stands) return;
    const timer = setInterval(() => setHeld(newest.current), MOST_HELD_MS);
    return () => clearInterval(timer);
  }, [stands]);
  const later = useDeferredValue(held);
  /** What a hand has hurried: it stands until what comes later is there, and what came before is not shown again. */
  const [hurried, setHurried] = useState({ over: later, shown: later });
  const shown = hurried.over === later ? hurried.shown : later;
  const hurry = (): void => {
    if (shown === now) return;
    flushSync(() => {
      setHurried({ over: later, shown: now });
      setHeld(now);
    });
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
