import { Checkbox } from 'antd';
import type { ReactNode } from 'react';
import { usePending } from './use-pending';
import './fields.css';

interface CheckFieldProps {
  readonly label: ReactNode;
  /** What it means, smaller. */
  readonly aside?: ReactNode;
  readonly checked: boolean;
  readonly disabled?: boolean;
  readonly onChange: (checked: boolean) => void;
}

/** Something that is so or is not. */
export function CheckField({ label, aside, checked, disabled, onChange }: CheckFieldProps) {
  const [shown, choose] = usePending(checked);
  return (
    <Checkbox
      className="check-field"
      checked={shown}
      disabled={disabled}
      onChange={(e) => {
        choose(e.target.checked);
        onChange(e.target.checked);
      }}
    >
      {label}
      {aside !== undefined && <small> {aside}</small>}
    </Checkbox>
  );
}
