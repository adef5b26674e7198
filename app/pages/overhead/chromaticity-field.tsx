import { Input } from 'antd';
import { chromaticityWords, readChromaticity } from '../../../core/light/chromaticity-text';
import { whiteXy, type White } from '../../../core/light/white';
import { Field } from '../../fields/field';
import { useDraft } from '../../fields/use-draft';

interface ChromaticityFieldProps {
  readonly white: White;
  readonly onCommit: (white: White) => void;
}

/** The white of a lamp by its x and y, where its bag or a report tells them instead of kelvin and Duv. */
export function ChromaticityField({ white, onCommit }: ChromaticityFieldProps) {
  const committed = chromaticityWords(whiteXy(white));
  const draft = useDraft(committed, (typed) => {
    const read = readChromaticity(typed);
    if (!read.ok) return { refused: read.message };
    if (chromaticityWords(read.xy) === committed) return 'same';
    onCommit(read.white);
    return 'changed';
  });
  return (
    <Field label="Chromaticity x, y" refusal={draft.refusal} inForce={committed}>
      {(of) => (
        <Input
          {...of}
          className="figure"
          autoComplete="off"
          spellCheck={false}
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
