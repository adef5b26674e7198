import { useId } from 'react';

interface SliderFieldProps {
  readonly label: string;
  readonly figure: number;
  readonly least: number;
  readonly most: number;
  readonly step: number;
  /** The figure in words with its unit. */
  readonly says: string;
  readonly onChange: (figure: number) => void;
}

/** A figure set by feel, with what it stands for said beside it. */
export function SliderField({ label, figure, least, most, step, says, onChange }: SliderFieldProps) {
  const id = useId();
  return (
    <div className="slider-field">
      <label htmlFor={id}>
        {label} <output>{says}</output>
      </label>
      <input
        id={id}
        type="range"
        min={least}
        max={most}
        step={step}
        value={figure}
        aria-valuetext={says}
        onChange={(e) => onChange(Number(e.target.value))}
      />
    </div>
  );
}
