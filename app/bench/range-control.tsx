import { Slider } from 'antd';

interface RangeControlProps {
  readonly labelledBy: string;
  readonly says: string;
  readonly least: number;
  readonly most: number;
  readonly step: number;
  readonly value: number;
  readonly onSet: (to: number) => void;
}

/** A slider for an input with a range, fetched where there is one. */
export function RangeControl({ labelledBy, says, least, most, step, value, onSet }: RangeControlProps) {
  return (
    <Slider
      ariaLabelledByForHandle={labelledBy}
      ariaValueTextFormatterForHandle={() => says}
      min={least}
      max={most}
      step={step}
      value={value}
      tooltip={{ open: false }}
      onChange={onSet}
    />
  );
}
