import { useId, type ReactNode } from 'react';
import './fields.css';

interface Option<T extends string> {
  readonly value: T;
  readonly name: string;
  /** The figure behind the word. */
  readonly figure?: ReactNode;
}

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly options: readonly Option<T>[];
  readonly value: T | null;
  readonly columns?: number;
  /** The label is already said by a heading; keep it for those who listen. */
  readonly quiet?: boolean;
  readonly onChoose: (value: T) => void;
}

/** A few possibilities side by side, one of them taken: big enough for a thumb, arrow keys move. */
export function Choice<T extends string>({
  label,
  options,
  value,
  columns = 3,
  quiet = false,
  onChoose,
}: ChoiceProps<T>) {
  const name = useId();
  return (
    <fieldset className="choice">
      <legend className={quiet ? 'visually-hidden' : undefined}>{label}</legend>
      <div className="choice-options" style={{ gridTemplateColumns: `repeat(${columns}, 1fr)` }}>
        {options.map((o) => (
          <label key={o.value} className={o.value === value ? 'chosen' : undefined}>
            <input type="radio" name={name} checked={o.value === value} onChange={() => onChoose(o.value)} />
            <span>{o.name}</span>
            {o.figure !== undefined && <small>{o.figure}</small>}
          </label>
        ))}
      </div>
    </fieldset>
  );
}
