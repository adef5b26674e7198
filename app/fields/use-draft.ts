import { useState, type KeyboardEvent } from 'react';

/** What is typed before it counts. */
export interface DraftOfField {
  readonly value: string;
  /** Why it was not taken; the last good value is still in force. */
  readonly refusal: string | null;
  readonly onChange: (typed: string) => void;
  readonly onCommit: () => void;
  readonly onKeyDown: (event: KeyboardEvent) => void;
}

/**
 * Keeps what is typed as a draft until Enter or leaving the field; Esc drops it.
 * @param take takes the draft, or says why it will not do
 */
export function useDraft(committed: string, take: (draft: string) => string | null): DraftOfField {
  const [draft, setDraft] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const onCommit = (): void => {
    if (draft === null) return;
    const complaint = take(draft);
    setRefusal(complaint);
    if (complaint === null) setDraft(null);
  };
  return {
    value: draft ?? committed,
    refusal,
    onChange: setDraft,
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
