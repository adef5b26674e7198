import { useId, useState } from 'react';
import './fields.css';

interface CountFieldProps {
  readonly label: string;
  readonly count: number;
  readonly least: number;
  readonly most: number;
  readonly onCommit: (count: number) => void;
}

/** A whole number of things. */
export function CountField({ label, count, least, most, onCommit }: CountFieldProps) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const commit = (): void => {
    if (draft === null) return;
    const typed = draft.trim();
    const read = /^\d{1,4}$/.test(typed) ? Number(typed) : NaN;
    if (!(read >= least && read <= most)) {
      setRefused(typed);
      return;
    }
    setDraft(null);
    setRefused(null);
    if (read !== count) onCommit(read);
  };
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <div className={refused === null ? 'field-box' : 'field-box refused'}>
        <input
          id={id}
          type="text"
          inputMode="numeric"
          autoComplete="off"
          value={draft ?? String(count)}
          aria-invalid={refused !== null}
          aria-describedby={refused === null ? undefined : `${id}-refusal`}
          onChange={(e) => setDraft(e.target.value)}
          onFocus={(e) => e.target.select()}
          onBlur={commit}
          onKeyDown={(e) => {
            if (e.key === 'Enter') commit();
            if (e.key === 'Escape') {
              setDraft(null);
              setRefused(null);
            }
          }}
        />
      </div>
      {refused !== null && (
        <p className="field-refusal" id={`${id}-refusal`} role="alert">
          “{refused}” is not a whole number from {least} to {most}. Still in force: {count}.
        </p>
      )}
    </div>
  );
}
