import { useId, useState, type KeyboardEvent, type ReactNode } from 'react';
import { formatQuantity } from '../../core/quantity/format';
import { parseQuantity, type ParseLimits } from '../../core/quantity/parse';
import type { UnitName } from '../../core/quantity/unit';
import './fields.css';

interface NumberFieldProps {
  readonly label: string;
  readonly unit: UnitName;
  /** The value in force, in the unit without prefix. */
  readonly figure: number;
  readonly limits?: ParseLimits;
  /** Said at the right inside the field: what the value means or costs. */
  readonly aside?: ReactNode;
  readonly significant?: number;
  /** A question about a value that is allowed but looks like a slip. */
  readonly doubt?: string;
  readonly onCommit: (figure: number) => void;
}

/**
 * A figure with its unit: what is typed stays a draft until Enter or leaving the field; a draft
 * that cannot be understood is refused beside the field, and the last good value stays in force.
 */
export function NumberField({
  label,
  unit,
  figure,
  limits,
  aside,
  significant = 4,
  doubt,
  onCommit,
}: NumberFieldProps) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const committed = formatQuantity(figure, unit, { significant });
  const commit = (): void => {
    if (draft === null) return;
    const read = parseQuantity(draft, unit, limits);
    if (!read.ok) {
      setRefusal(read.message);
      return;
    }
    setDraft(null);
    setRefusal(null);
    if (read.figure !== figure) onCommit(read.figure);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key === 'Enter') commit();
    if (event.key === 'Escape') {
      setDraft(null);
      setRefusal(null);
    }
  };
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      <div className={refusal ? 'field-box refused' : 'field-box'}>
        <input
          id={id}
          type="text"
          inputMode="text"
          autoComplete="off"
          spellCheck={false}
          value={draft ?? committed}
          aria-invalid={refusal !== null}
          aria-describedby={refusal ? `${id}-refusal` : undefined}
          onChange={(e) => setDraft(e.target.value)}
          onFocus={(e) => e.target.select()}
          onBlur={commit}
          onKeyDown={onKeyDown}
        />
        {aside !== undefined && <span className="field-aside">{aside}</span>}
      </div>
      {doubt !== undefined && !refusal && (
        <p className="field-doubt" role="status">
          {doubt}
        </p>
      )}
      {refusal && (
        <p className="field-refusal" id={`${id}-refusal`} role="alert">
          {refusal} Still in force: {committed}.
        </p>
      )}
    </div>
  );
}
