import { useEffect, useState } from 'react';

/** How long a choice stands as made for a change that is on its way. */
export const MOST_WAIT_MS = 400;

/**
 * A choice as it stands for the person: the one just made until the value in force has followed it, or
 * for a moment where it was not made after all.
 */
export function usePending<T>(value: T): readonly [T, (chosen: T) => void] {
  const [pending, setPending] = useState<{ readonly chosen: T; readonly over: T } | null>(null);
  const waits = pending !== null && Object.is(pending.over, value);
  useEffect(() => {
    if (!waits) return;
    const timer = setTimeout(() => setPending(null), MOST_WAIT_MS);
    return () => clearTimeout(timer);
  }, [waits, pending]);
  return [waits ? pending.chosen : value, (chosen) => setPending({ chosen, over: value })];
}
