import { formatQuantity } from '../../../core/quantity/format';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { HoldFields } from '../hold-fields';
import type { DriverRecord } from '../../../core/document/driver-record';
import type { BoardFacts, SwitchedSide } from '../../../core/supply/drivers/driver-kind';

type Board = Extract<DriverRecord, { kind: 'accessory-pairs' | 'accessory-reversing' | 'alternating' }>;

interface BoardFieldsProps {
  readonly driver: Board;
  readonly onDriver: (label: string, next: DriverRecord) => void;
}

/** Volts of a board's own to begin from (common practice, no source). */
const OWN_VOLTS = 5;

/** What the leaflet of a bought board says of its outputs; what is not set is assumed, and says so. */
export function BoardFields({ driver, onDriver }: BoardFieldsProps) {
  const { board = {} } = driver;
  const put = (label: string, facts: BoardFacts): void =>
    onDriver(label, { ...driver, board: { ...board, ...facts } as Board['board'] });
  const { lampVolts } = board;
  const open =
    lampVolts === undefined ||
    board.holds === undefined ||
    (driver.kind !== 'accessory-reversing' && !board.sideKnown);
  return (
    <>
      <SelectField<'assumed' | 'fed' | 'own'>
        label="Lamp volts"
        value={lampVolts === undefined ? 'assumed' : lampVolts === null ? 'fed' : 'own'}
        options={[
          ...(lampVolts === undefined
            ? [{ value: 'assumed' as const, label: 'as it is fed (assumed)' }]
            : []),
          { value: 'fed', label: 'as it is fed' },
          { value: 'own', label: 'of its own' },
        ]}
        onChange={(is) => {
          if (is === 'fed') put('Lamp volts as it is fed', { lampVolts: null });
          if (is === 'own')
            put(`Lamp volts of ${formatQuantity(OWN_VOLTS, 'volt')}`, { lampVolts: OWN_VOLTS });
        }}
      />
      {typeof lampVolts === 'number' && (
        <NumberField
          label="Its own volts"
          unit="volt"
          figure={lampVolts}
          limits={{ least: 1, most: 30 }}
          onCommit={(v) => put('Lamp volts', { lampVolts: v })}
        />
      )}
      {driver.kind !== 'accessory-reversing' && (
        <SelectField<'assumed' | SwitchedSide>
          label="Outputs switch"
          value={board.sideKnown ? driver.switches : 'assumed'}
          options={[
            ...(board.sideKnown
              ? []
              : [{ value: 'assumed' as const, label: `${driver.switches} (assumed from the head)` }]),
            { value: 'minus', label: 'minus' },
            { value: 'plus', label: 'plus' },
          ]}
          onChange={(switches) => {
            if (switches === 'assumed') return;
            onDriver(`Outputs switch ${switches}`, {
              ...driver,
              switches,
              board: { ...board, sideKnown: true },
            });
          }}
        />
      )}
      <HoldFields
        holds={board.holds}
        kinds={driver.kind === 'accessory-reversing' ? ['nothing', 'resistor'] : undefined}
        onChange={(label, holds) => put(label, { holds })}
      />
      {open && (
        <p className="hint">
          What is assumed decides the resistors: set it by the leaflet, or measure an output with a lamp on
          it.
        </p>
      )}
    </>
  );
}
