import { useEffect, useState, type KeyboardEvent } from 'react';
import { MOST_WAIT_MS } from './use-pending';

/** What is typed before it counts. */
export interface DraftOfField {
  readonly value: string;
  /** Why it was not taken; the last good value is still in force. */
  readonly refusal: string | null;
  readonly onChange: (typed: string) => void;
  readonly onCommit: () => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
}

/** What became of a draft: taken as a change, the same as what is in force, or refused with the reason. */
export type Taken = 'changed' | 'same' | { readonly refused: string };

interface Draft {
  readonly typed: string;
  /** What was in force when it was taken; null while it is being written. */
  readonly takenOver: string | null;
}

/**
 * Keeps what is typed as a draft until Enter or leaving the field; Esc drops it. What was taken stands
 * as typed until the value in force has followed it.
 */
export function useDraft(committed: string, take: (draft: string) => Taken): DraftOfField {
  const [draft, setDraft] = useState<Draft | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const written = draft !== null && draft.takenOver === null;
  const waits = draft !== null && draft.takenOver === committed;
  // A change that was not made after all leaves what is in force.
  useEffect(() => {
    if (!waits) return;
    const timer = setTimeout(() => setDraft(null), MOST_WAIT_MS);
    return () => clearTimeout(timer);
  }, [waits]);
  const onCommit = (): void => {
    if (!written) return;
    const taken = take(draft.typed);
    if (typeof taken === 'object') {
      setRefusal(taken.refused);
      return;
    }
    setRefusal(null);
    setDraft(taken === 'changed' ? { ...draft, takenOver: committed } : null);
  };
  return {
    value: written || waits ? draft.typed : committed,
    refusal,
    onChange: (typed) => setDraft({ typed, takenOver: null }),
    onCommit,
    onKeyDown: (event) => {
      if (event.key === 'Enter') onCommit();
      if (event.key === 'Escape') {
        setDraft(null);
        setRefusal(null);
      }
    },
  };
}
