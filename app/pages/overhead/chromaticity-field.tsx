import { chromaticityWords, readChromaticity } from '../../../core/light/chromaticity-text';
import { whiteXy, type White } from '../../../core/light/white';
import { FigureField } from '../../fields/figure-field';
import type { Taken } from '../../fields/use-draft';

interface ChromaticityFieldProps {
  readonly white: White;
  readonly onCommit: (white: White) => void;
}

/** The white of a lamp by its x and y, where its bag or a report tells them instead of kelvin and Duv. */
export function ChromaticityField({ white, onCommit }: ChromaticityFieldProps) {
  const committed = chromaticityWords(whiteXy(white));
  const take = (typed: string): Taken => {
    const read = readChromaticity(typed);
    if (!read.ok) return { refused: read.message };
    if (chromaticityWords(read.xy) === committed) return 'same';
    return () => onCommit(read.white);
  };
  return <FigureField label="Chromaticity x, y" inForce={committed} take={take} />;
}
