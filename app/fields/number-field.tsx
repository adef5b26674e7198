import { formatQuantity } from '../../core/quantity/format';
import { parseQuantity, type ParseLimits } from '../../core/quantity/parse';
import { FigureField } from './figure-field';
import type { ReactNode } from 'react';
import type { Taken } from './use-draft';
import type { UnitName } from '../../core/quantity/unit';

interface NumberFieldProps {
  readonly label: string;
  readonly unit: UnitName;
  /** The value in force, in the unit without prefix. */
  readonly figure: number;
  readonly limits?: ParseLimits;
  /** Said at the right inside the field: what the value means or costs. */
  readonly aside?: ReactNode;
  readonly significant?: number;
  /** A question about a value that is allowed but looks like a slip. */
  readonly doubt?: string;
  readonly onCommit: (figure: number) => void;
}

/**
 * A figure with its unit: what is typed stays a draft until Enter or leaving the field; a draft
 * that cannot be understood is refused beside the field, and the last good value stays in force.
 */
export function NumberField({
  label,
  unit,
  figure,
  limits,
  aside,
  significant = 4,
  doubt,
  onCommit,
}: NumberFieldProps) {
  const committed = formatQuantity(figure, unit, { significant });
  const take = (typed: string): Taken => {
    const read = parseQuantity(typed, unit, limits);
    if (!read.ok) return { refused: read.message };
    if (read.figure === figure) return 'same';
    return () => onCommit(read.figure);
  };
  return <FigureField label={label} inForce={committed} take={take} aside={aside} doubt={doubt} />;
}
