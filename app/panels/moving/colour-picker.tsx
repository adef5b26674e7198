import { ColorPicker } from 'antd';
import { useState } from 'react';
import type { Rgb } from './colour-field';

interface ColourPickerProps {
  readonly colour: Rgb;
  readonly onPick: (colour: Rgb) => void;
}

/** The library's picker, open as it comes. */
export default function ColourPicker({ colour, onPick }: ColourPickerProps) {
  const [open, setOpen] = useState(true);
  return (
    <ColorPicker
      disabledAlpha
      format="rgb"
      showText
      open={open}
      onOpenChange={setOpen}
      value={`rgb(${colour.join(', ')})`}
      onChangeComplete={(c) => {
        const { r, g, b } = c.toRgb();
        onPick([Math.round(r), Math.round(g), Math.round(b)]);
      }}
    />
  );
}
