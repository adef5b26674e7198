import { Slider } from 'antd';
import { useId, useState } from 'react';
import { usePending } from './use-pending';
import './fields.css';

interface SliderFieldProps {
  readonly label: string;
  readonly figure: number;
  readonly least: number;
  readonly most: number;
  readonly step: number;
  /** The figure in words with its unit; of a figure that is still moving by what it is at the moment. */
  readonly says: string | ((figure: number) => string);
  /** Each figure it comes to; the last alone where `onSlide` follows the others. */
  readonly onChange: (figure: number) => void;
  /** Where what follows the hand is lighter than an edit. */
  readonly onSlide?: (figure: number) => void;
}

/** A figure set by feel, with what it stands for said beside it. */
export function SliderField({ label, figure, least, most, step, says, onChange, onSlide }: SliderFieldProps) {
  const id = useId();
  const [chosen, choose] = usePending(figure);
  /** Where the hand has it while it moves. */
  const [held, setHeld] = useState<number | null>(null);
  const shown = held ?? chosen;
  const words = typeof says === 'string' ? says : says(shown);
  return (
    <div className="slider-field">
      <div className="slider-label">
        <span id={id}>{label}</span> <output>{words}</output>
      </div>
      <Slider
        ariaLabelledByForHandle={id}
        ariaValueTextFormatterForHandle={() => words}
        min={least}
        max={most}
        step={step}
        value={shown}
        tooltip={{ open: false }}
        onChange={(to) => {
          if (onSlide) {
            setHeld(to);
            onSlide(to);
          } else {
            choose(to);
            onChange(to);
          }
        }}
        onChangeComplete={(to) => {
          if (!onSlide) return;
          setHeld(null);
          choose(to);
          onChange(to);
        }}
      />
    </div>
  );
}
