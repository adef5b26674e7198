import { FigureField } from './figure-field';
import type { Taken } from './use-draft';

interface CountFieldProps {
  readonly label: string;
  readonly count: number;
  readonly least: number;
  readonly most: number;
  readonly onCommit: (count: number) => void;
}

/** A whole number of things. */
export function CountField({ label, count, least, most, onCommit }: CountFieldProps) {
  const take = (text: string): Taken => {
    const typed = text.trim();
    const read = /^\d{1,4}$/.test(typed) ? Number(typed) : NaN;
    if (!(read >= least && read <= most))
      return { refused: `“${typed}” is not a whole number from ${least} to ${most}.` };
    if (read === count) return 'same';
    return () => onCommit(read);
  };
  return <FigureField label={label} inForce={String(count)} take={take} inputMode="numeric" />;
}
