import { Slider } from 'antd';
import { useId } from 'react';
import { usePending } from './use-pending';
import './fields.css';

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
  const [shown, choose] = usePending(figure);
  return (
    <div className="slider-field">
      <div className="slider-label">
        <span id={id}>{label}</span> <output>{says}</output>
      </div>
      <Slider
        ariaLabelledByForHandle={id}
        ariaValueTextFormatterForHandle={() => says}
        min={least}
        max={most}
        step={step}
        value={shown}
        tooltip={{ open: false }}
        onChange={(to) => {
          choose(to);
          onChange(to);
        }}
      />
    </div>
  );
}
