import { useId, useState } from 'react';
import './fields.css';

interface TextFieldProps {
  readonly label: string;
  readonly text: string;
  readonly most: number;
  readonly required?: boolean;
  readonly lines?: number;
  /** Why a text will not do; null when it does. */
  readonly check?: (text: string) => string | null;
  readonly onCommit: (text: string) => void;
}

/** Plain words, kept when the field is left. */
export function TextField({
  label,
  text,
  most,
  required = false,
  lines = 1,
  check,
  onCommit,
}: TextFieldProps) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const empty = required && draft !== null && draft.trim() === '';
  const refused = empty ? 'Something has to be written here.' : refusal;
  const commit = (): void => {
    if (draft === null || empty) return;
    const complaint = check?.(draft) ?? null;
    setRefusal(complaint);
    if (complaint !== null) return;
    setDraft(null);
    const kept = required ? draft.trim() : draft;
    if (kept !== text) onCommit(kept);
  };
  const shared = {
    id,
    value: draft ?? text,
    maxLength: most,
    'aria-invalid': refused !== null,
    onBlur: commit,
    onChange: (e: { target: { value: string } }) => setDraft(e.target.value),
  };
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <div className={refused ? 'field-box refused' : 'field-box'}>
        {lines > 1 ? (
          <textarea {...shared} rows={lines} />
        ) : (
          <input {...shared} type="text" className="words" onKeyDown={(e) => e.key === 'Enter' && commit()} />
        )}
      </div>
      {refused && (
        <p className="field-refusal" role="alert">
          {refused} Still in force: {text}.
        </p>
      )}
    </div>
  );
}
