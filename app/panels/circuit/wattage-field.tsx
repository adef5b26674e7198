import { resistorBodies } from '../../../core/part/resistor';
import { SelectField } from '../../fields/select-field';

interface WattageFieldProps {
  readonly watts: number;
  readonly onChange: (watts: number) => void;
}

/** The body of a resistor, by what it may turn into heat, with its size. */
export function WattageField({ watts, onChange }: WattageFieldProps) {
  return (
    <SelectField
      label="Its wattage"
      value={watts}
      options={resistorBodies.map((b) => ({
        value: b.watts as number,
        label: `${b.name}, ${b.lengthMillimetres} mm`,
      }))}
      onChange={onChange}
    />
  );
}
