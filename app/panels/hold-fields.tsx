import { NumberField } from '../fields/number-field';
import { SelectField } from '../fields/select-field';
import type { OutputHold } from '../../core/part/decoder-type';

type Kind = OutputHold['kind'];

/** What a board is said to limit by before its figure is typed. */
const begun: Readonly<Record<Kind, OutputHold>> = {
  nothing: { kind: 'nothing' },
  resistor: { kind: 'resistor', ohms: 1000 },
  limiter: { kind: 'limiter', amps: 0.01 },
};
const words: Readonly<Record<Kind, string>> = {
  nothing: 'nothing',
  resistor: 'a resistor',
  limiter: 'a limiter',
};

interface HoldFieldsProps {
  /** What is known; nothing is assumed where it is left out. */
  readonly holds: OutputHold | undefined;
  readonly kinds?: readonly Kind[];
  readonly onChange: (label: string, holds: OutputHold) => void;
}

/** What on a board limits the current of an output. */
export function HoldFields({ holds, kinds = ['nothing', 'resistor', 'limiter'], onChange }: HoldFieldsProps) {
  return (
    <>
      <SelectField<Kind | 'assumed'>
        label="Board limits by"
        value={holds?.kind ?? 'assumed'}
        options={[
          ...(holds ? [] : [{ value: 'assumed' as const, label: 'nothing (assumed)' }]),
          ...kinds.map((kind) => ({ value: kind, label: words[kind] })),
        ]}
        onChange={(kind) => kind !== 'assumed' && onChange('What the board limits', begun[kind])}
      />
      {holds?.kind === 'resistor' && (
        <NumberField
          label="Its resistor"
          unit="ohm"
          figure={holds.ohms}
          limits={{ least: 1, most: 1e6 }}
          onCommit={(ohms) => onChange('Resistor on the board', { kind: 'resistor', ohms })}
        />
      )}
      {holds?.kind === 'limiter' && (
        <NumberField
          label="It holds"
          unit="amp"
          figure={holds.amps}
          limits={{ least: 0.0001, most: 1 }}
          onCommit={(amps) => onChange('Limiter on the board', { kind: 'limiter', amps })}
        />
      )}
    </>
  );
}
