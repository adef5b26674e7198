import { useEffect, useState, type KeyboardEvent } from 'react';
import { MOST_WAIT_MS } from './use-pending';

/** The value in force has become another while this one was typed: one of the two is chosen. */
export interface Clash {
  /** The value in force now, as it is written. */
  readonly theirs: string;
  readonly mine: string;
  readonly onTakeMine: () => void;
  readonly onLeaveTheirs: () => void;
}

/** What is typed before it counts. */
export interface DraftOfField {
  readonly value: string;
  /** Why it was not taken; the last good value is still in force. */
  readonly refusal: string | null;
  readonly clash: Clash | null;
  readonly onChange: (typed: string) => void;
  readonly onCommit: () => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
}

/** What a draft comes to: the same as what is in force, refused with the reason, or a change and how it is made. */
export type Taken = 'same' | { readonly refused: string } | (() => void);

interface Draft {
  readonly typed: string;
  /** What was in force when it was begun. */
  readonly begunOver: string;
  /** One taken just before is not in force yet: the first that comes is that one. */
  readonly afterOwn: boolean;
  /** What was in force when it was taken; null while it is being written. */
  readonly takenOver: string | null;
  /** It was to be taken while something else had come into force: that is to be chosen first. */
  readonly asked: boolean;
}

/**
 * Keeps what is typed as a draft until Enter or leaving the field; Esc drops it. What was taken stands
 * as typed until the value in force has followed it. Where another value has come into force meanwhile,
 * as from another window, it is not taken over unseen: that is a choice, which a second Enter makes too.
 */
export function useDraft(committed: string, take: (typed: string) => Taken): DraftOfField {
  const [draft, setDraft] = useState<Draft | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const written = draft !== null && draft.takenOver === null;
  const waits = draft !== null && draft.takenOver === committed;
  const clashes = written && !draft.afterOwn && draft.begunOver !== committed;
  // A change that was not made after all leaves what is in force.
  useEffect(() => {
    if (!waits) return;
    const timer = setTimeout(() => setDraft(null), MOST_WAIT_MS);
    return () => clearTimeout(timer);
  }, [waits]);
  if (written && draft.afterOwn && draft.begunOver !== committed)
    setDraft({ ...draft, begunOver: committed, afterOwn: false });
  const drop = (): void => {
    setDraft(null);
    setRefusal(null);
  };
  const commit = (chosen: boolean): void => {
    if (!written) return;
    const taken = take(draft.typed);
    if (typeof taken === 'object') {
      setRefusal(taken.refused);
      return;
    }
    setRefusal(null);
    if (taken === 'same') setDraft(null);
    else if (clashes && !chosen) setDraft({ ...draft, asked: true });
    else {
      taken();
      setDraft({ ...draft, takenOver: committed });
    }
  };
  const onCommit = (): void => commit(false);
  return {
    value: written || waits ? draft.typed : committed,
    refusal,
    clash:
      clashes && draft.asked
        ? { theirs: committed, mine: draft.typed, onTakeMine: () => commit(true), onLeaveTheirs: drop }
        : null,
    onChange: (typed) => {
      // Written back to what is in force, there is nothing to take.
      if (typed === committed && !waits) drop();
      else
        setDraft({
          typed,
          begunOver: written ? draft.begunOver : committed,
          afterOwn: written ? draft.afterOwn : waits,
          takenOver: null,
          asked: false,
        });
    },
    onCommit,
    onKeyDown: (event) => {
      if (event.key === 'Enter') commit(draft?.asked ?? false);
      if (event.key === 'Escape') drop();
      // What was taken is the layout's to take back: the field has nothing of its own to undo.
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !written)
        event.preventDefault();
    },
  };
}
