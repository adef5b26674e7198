import { Button } from 'antd';
import { lazy, Suspense, useState } from 'react';
import type { Rgb } from './colour-picker';

interface ColourFieldProps {
  readonly label: string;
  readonly colour: readonly number[];
  readonly onPick: (colour: Rgb) => void;
}

/** Heavier than all else in its panel, and seldom wanted: fetched when it is pressed. */
const ColourPicker = lazy(() => import('./colour-picker'));

/** A colour of lamps that mix their own. */
export function ColourField({ label, colour, onPick }: ColourFieldProps) {
  const [open, setOpen] = useState(false);
  const rgb = colour as Rgb;
  const words = `rgb(${rgb.join(', ')})`;
  const swatch = (
    <Button onClick={() => setOpen(true)} aria-label={`${label}: ${words}`}>
      <span className="colour-swatch" style={{ background: words }} />
      {words}
    </Button>
  );
  return (
    <div className="field">
      <span className="field-label">{label}</span>
      {open ? (
        <Suspense fallback={swatch}>
          <ColourPicker colour={rgb} onPick={onPick} />
        </Suspense>
      ) : (
        swatch
      )}
    </div>
  );
}
