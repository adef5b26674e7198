import { driverKinds, type DriverKindName } from '../../../core/supply/drivers';
import { Choice } from '../../fields/choice';

interface DriverChoiceProps {
  readonly value: DriverKindName;
  readonly columns: number;
  readonly onChoose: (value: DriverKindName) => void;
}

/** What switches the lamps. */
export function DriverChoice({ value, columns, onChoose }: DriverChoiceProps) {
  return (
    <Choice<DriverKindName>
      label="Switched by"
      columns={columns}
      options={(Object.keys(driverKinds) as DriverKindName[]).map((id) => ({
        value: id,
        name: driverKinds[id].name,
        figure: driverKinds[id].says,
      }))}
      value={value}
      onChoose={onChoose}
    />
  );
}

interface CommonChoiceProps {
  readonly value: 'anode' | 'cathode';
  readonly onChoose: (value: 'anode' | 'cathode') => void;
}

/** Which side of the lamps is joined in the head. */
export function CommonChoice({ value, onChoose }: CommonChoiceProps) {
  return (
    <Choice<'anode' | 'cathode'>
      label="Joined in the head"
      columns={2}
      options={[
        { value: 'anode', name: 'Plus shared', figure: 'common anode' },
        { value: 'cathode', name: 'Minus shared', figure: 'common cathode' },
      ]}
      value={value}
      onChoose={onChoose}
    />
  );
}
