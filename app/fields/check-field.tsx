import { Checkbox } from 'antd';
import type { ReactNode } from 'react';
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
  return (
    <Checkbox
      className="check-field"
      checked={checked}
      disabled={disabled}
      onChange={(e) => onChange(e.target.checked)}
    >
      {label}
      {aside !== undefined && <small> {aside}</small>}
    </Checkbox>
  );
}
