import { Radio } from 'antd';
import { useId, type ReactNode } from 'react';
import { usePending } from './use-pending';
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
  const id = useId();
  const [shown, choose] = usePending(value);
  return (
    <div className="choice">
      <span id={id} className={quiet ? 'visually-hidden' : 'choice-label'}>
        {label}
      </span>
      <Radio.Group
        aria-labelledby={id}
        className={columns === 1 ? 'choice-options in-a-list' : 'choice-options'}
        style={{ gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))` }}
        optionType="button"
        buttonStyle="solid"
        value={shown}
        onChange={(e) => {
          const chosen = e.target.value as T;
          choose(chosen);
          onChoose(chosen);
        }}
        options={options.map((o) => ({
          value: o.value,
          label: (
            <>
              <span>{o.name}</span> {o.figure !== undefined && <small>{o.figure}</small>}
            </>
          ),
        }))}
      />
    </div>
  );
}
