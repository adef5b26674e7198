import { Input } from 'antd';
import { Field } from './field';
import { useDraft, type Taken } from './use-draft';
import type { ReactNode } from 'react';

interface FigureFieldProps {
  readonly label: string;
  /** The figure in force, as it is written. */
  readonly inForce: string;
  /** What becomes of what was typed. */
  readonly take: (typed: string) => Taken;
  /** Said at the right inside the field. */
  readonly aside?: ReactNode;
  readonly doubt?: string;
  readonly inputMode?: 'numeric';
}

/** Any figure that is typed: a draft until Enter or leaving the field, refused beside it when it is none. */
export function FigureField({ label, inForce, take, aside, doubt, inputMode }: FigureFieldProps) {
  const draft = useDraft(inForce, take);
  return (
    <Field label={label} refusal={draft.refusal} clash={draft.clash} inForce={inForce} doubt={doubt}>
      {(of) => (
        <Input
          {...of}
          className="figure"
          inputMode={inputMode}
          autoComplete="off"
          spellCheck={false}
          value={draft.value}
          suffix={aside === undefined ? undefined : <span className="field-aside">{aside}</span>}
          onChange={(e) => draft.onChange(e.target.value)}
          onFocus={(e) => e.target.select()}
          onBlur={draft.onCommit}
          onKeyDown={draft.onKeyDown}
        />
      )}
    </Field>
  );
}
