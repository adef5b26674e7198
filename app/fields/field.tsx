import { Button } from 'antd';
import { useId, type ReactNode } from 'react';
import type { Clash } from './use-draft';
import './fields.css';

interface FieldProps {
  readonly label: string;
  /** Why what was typed is not in force. */
  readonly refusal?: string | null;
  /** What is still in force instead. */
  readonly inForce?: string;
  /** A question about a value that is allowed but looks like a slip. */
  readonly doubt?: string;
  /** Another value has come into force while this one was typed. */
  readonly clash?: Clash | null;
  readonly children: (of: {
    readonly id: string;
    readonly status: 'error' | '';
    readonly 'aria-invalid': boolean;
    readonly 'aria-describedby': string | undefined;
  }) => ReactNode;
}

/**
 * A label, its control, and beside it what is wrong. Not the library's form item: that one belongs to a
 * form that is filled in and sent, these each count on their own.
 */
export function Field({ label, refusal = null, inForce, doubt, clash = null, children }: FieldProps) {
  const id = useId();
  const refused = refusal !== null;
  return (
    <div className="field">
      <label htmlFor={id}>{label}</label>
      {children({
        id,
        status: refused ? 'error' : '',
        'aria-invalid': refused,
        'aria-describedby': refused ? `${id}-refusal` : undefined,
      })}
      {clash !== null && (
        <div className="field-refusal" role="alert">
          Meanwhile it has become {clash.theirs}.{' '}
          <span className="button-row">
            <Button size="small" onClick={clash.onTakeMine}>
              Take {clash.mine}
            </Button>
            <Button size="small" onClick={clash.onLeaveTheirs}>
              Leave {clash.theirs}
            </Button>
          </span>
        </div>
      )}
      {doubt !== undefined && !refused && (
        <p className="field-doubt" role="status">
          {doubt}
        </p>
      )}
      {refused && (
        <p className="field-refusal" id={`${id}-refusal`} role="alert">
          {refusal} {inForce !== undefined && `Still in force: ${inForce}.`}
        </p>
      )}
    </div>
  );
}
