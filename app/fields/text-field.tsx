import { Input } from 'antd';
import { Field } from './field';
import { useDraft } from './use-draft';

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

const NOTHING = 'Something has to be written here.';

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
  const draft = useDraft(text, (typed) => {
    if (required && typed.trim() === '') return { refused: NOTHING };
    const complaint = check?.(typed) ?? null;
    if (complaint !== null) return { refused: complaint };
    const kept = required ? typed.trim() : typed;
    if (kept === text) return 'same';
    return () => onCommit(kept);
  });
  // That nothing is written is told while it is being written.
  const empty = required && draft.value.trim() === '' ? NOTHING : null;
  const shared = { value: draft.value, maxLength: most, onBlur: draft.onCommit };
  return (
    <Field label={label} refusal={draft.refusal ?? empty} clash={draft.clash} inForce={text}>
      {(of) =>
        lines > 1 ? (
          <Input.TextArea
            {...of}
            {...shared}
            rows={lines}
            onChange={(e) => draft.onChange(e.target.value)}
            onKeyDown={(e) => {
              if (e.key !== 'Enter') draft.onKeyDown(e);
            }}
          />
        ) : (
          <Input
            {...of}
            {...shared}
            onChange={(e) => draft.onChange(e.target.value)}
            onKeyDown={draft.onKeyDown}
          />
        )
      }
    </Field>
  );
}
