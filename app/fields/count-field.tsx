import { Input } from 'antd';
import { Field } from './field';
import { useDraft } from './use-draft';

interface CountFieldProps {
  readonly label: string;
  readonly count: number;
  readonly least: number;
  readonly most: number;
  readonly onCommit: (count: number) => void;
}

/** A whole number of things. */
export function CountField({ label, count, least, most, onCommit }: CountFieldProps) {
  const draft = useDraft(String(count), (text) => {
    const typed = text.trim();
    const read = /^\d{1,4}$/.test(typed) ? Number(typed) : NaN;
    if (!(read >= least && read <= most))
      return { refused: `“${typed}” is not a whole number from ${least} to ${most}.` };
    if (read === count) return 'same';
    onCommit(read);
    return 'changed';
  });
  return (
    <Field label={label} refusal={draft.refusal} inForce={String(count)}>
      {(of) => (
        <Input
          {...of}
          className="figure"
          inputMode="numeric"
          autoComplete="off"
          value={draft.value}
          onChange={(e) => draft.onChange(e.target.value)}
          onFocus={(e) => e.target.select()}
          onBlur={draft.onCommit}
          onKeyDown={draft.onKeyDown}
        />
      )}
    </Field>
  );
}
