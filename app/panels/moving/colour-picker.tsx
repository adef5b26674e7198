import { ColorPicker } from 'antd';
import { useState } from 'react';

/** Red, green and blue, 0 to 255 each. */
export type Rgb = [number, number, number];

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
