import { Choice } from '../fields/choice';
import { CountField } from '../fields/count-field';
import { More } from '../fields/more';
import { NumberField } from '../fields/number-field';
import { SelectField } from '../fields/select-field';
import { SliderField } from '../fields/slider-field';
import { useLayoutStore } from '../store/layout-store';
import { cellTypes } from '../../core/part/cell';
import type { SupplyRecord, SupplyRecordOf } from '../../core/document/supply-record';
import type { UnitName } from '../../core/quantity/unit';
import type { ParseLimits } from '../../core/quantity/parse';
import type { SupplyKindName } from '../../core/supply';

interface SupplyFieldsProps {
  readonly supplyId: string;
  readonly supply: SupplyRecord;
}

type Edit<K extends SupplyKindName> = (
  label: string,
  recipe: (s: SupplyRecordOf<K>) => void,
  key?: string,
) => void;
type FieldsOf<K extends SupplyKindName> = (props: {
  readonly supply: SupplyRecordOf<K>;
  readonly edit: Edit<K>;
}) => React.ReactNode;

interface FigureProps {
  readonly label: string;
  readonly unit: UnitName;
  readonly figure: number;
  readonly limits: ParseLimits;
  readonly onCommit: (figure: number) => void;
}
const Figure = (props: FigureProps) => <NumberField {...props} />;
const amps = { least: 0.1, most: 20, range: '0.1 A to 20 A' };
const seconds = { least: 0.0001, most: 5, range: '0.1 ms to 5 s' };
const ohms = { least: 0.01, most: 100, range: '10 mΩ to 100 Ω' };
const dccVolts = { least: 7, most: 22, range: '7 V to 22 V (NMRA S-9.1)' };

const traffic = [
  { value: '1', name: 'Idle', figure: 'all ones' },
  { value: '1111111111111100000000001111111100111111110', name: 'Busy', figure: 'a packet' },
  { value: '10', name: 'Zeros', figure: 'every other' },
] as const;

interface Limited {
  limitAmps: number;
  tripSeconds: number;
}

function LimitFields({
  supply,
  edit,
}: {
  supply: Limited;
  edit: (label: string, recipe: (s: Limited) => void) => void;
}) {
  return (
    <div className="two-fields">
      <Figure
        label="Gives at most"
        unit="amp"
        figure={supply.limitAmps}
        limits={amps}
        onCommit={(v) => edit('Limit', (s) => void (s.limitAmps = v))}
      />
      <Figure
        label="Bears more for"
        unit="second"
        figure={supply.tripSeconds}
        limits={seconds}
        onCommit={(v) => edit('Trip time', (s) => void (s.tripSeconds = v))}
      />
    </div>
  );
}

const DccFields: FieldsOf<'dcc-track'> = ({ supply, edit }) => (
  <>
    <div className="two-fields">
      <Figure
        label="Track swings ±"
        unit="volt"
        figure={supply.amplitudeVolts}
        limits={dccVolts}
        onCommit={(v) =>
          edit('Track voltage', (s) => {
            s.amplitudeVolts = v;
            s.highestVolts = Math.max(s.highestVolts, v);
          })
        }
      />
      <Figure
        label="At most ±"
        unit="volt"
        figure={supply.highestVolts}
        limits={dccVolts}
        onCommit={(v) =>
          edit('Highest track voltage', (s) => {
            s.highestVolts = v;
            s.amplitudeVolts = Math.min(s.amplitudeVolts, v);
          })
        }
      />
    </div>
    <More label="Booster, wires and signal">
      <LimitFields supply={supply} edit={edit} />
      <Figure
        label="Wires, rails and wheels, both ways"
        unit="ohm"
        figure={supply.trackOhms}
        limits={ohms}
        onCommit={(v) => edit('Track resistance', (s) => void (s.trackOhms = v))}
      />
      <Choice
        label="What is said on the track"
        options={traffic}
        value={traffic.find((t) => t.value === supply.bits)?.value ?? null}
        onChoose={(bits) => edit('Track signal', (s) => void (s.bits = bits))}
      />
    </More>
  </>
);

const DcFields: FieldsOf<'dc-track'> = ({ supply, edit }) => (
  <>
    <Figure
      label={
        supply.making === 'full-wave' || supply.making === 'half-wave'
          ? 'At full throttle, RMS'
          : 'At full throttle'
      }
      unit="volt"
      figure={supply.greatestVolts}
      limits={{ least: 1, most: 30, range: '1 V to 30 V' }}
      onCommit={(v) => edit('Full throttle', (s) => void (s.greatestVolts = v))}
    />
    <SliderField
      label="Lights made for"
      figure={100 * supply.usualThrottle}
      least={10}
      most={100}
      step={5}
      says={`${Math.round(100 * supply.usualThrottle)} % throttle`}
      onChange={(v) => edit('Usual throttle', (s) => void (s.usualThrottle = v / 100), 'usual-throttle')}
    />
    <Choice<SupplyRecordOf<'dc-track'>['making']>
      label="The controller makes it"
      columns={2}
      options={[
        { value: 'smooth', name: 'Smooth' },
        { value: 'pulse-width', name: 'In pulses', figure: `${supply.pulseHertz} Hz` },
        { value: 'full-wave', name: 'Full-wave', figure: 'unsmoothed' },
        { value: 'half-wave', name: 'Half-wave', figure: 'unsmoothed' },
      ]}
      value={supply.making}
      onChoose={(making) => edit('Kind of controller', (s) => void (s.making = making))}
    />
    <More label="Controller and wires">
      {supply.making === 'pulse-width' && (
        <CountField
          label="Pulses a second"
          count={supply.pulseHertz}
          least={30}
          most={9999}
          onCommit={(hz) => edit('Pulse frequency', (s) => void (s.pulseHertz = hz))}
        />
      )}
      <LimitFields supply={supply} edit={edit} />
      <Figure
        label="Wires, rails and wheels, both ways"
        unit="ohm"
        figure={supply.trackOhms}
        limits={ohms}
        onCommit={(v) => edit('Track resistance', (s) => void (s.trackOhms = v))}
      />
    </More>
  </>
);

const AcFields: FieldsOf<'ac-track'> = ({ supply, edit }) => (
  <>
    <div className="two-fields">
      <Figure
        label="RMS volts"
        unit="volt"
        figure={supply.rmsVolts}
        limits={{ least: 1, most: 25, range: '1 V to 25 V' }}
        onCommit={(v) =>
          edit('Track voltage', (s) => {
            s.rmsVolts = v;
            s.highestRmsVolts = Math.max(s.highestRmsVolts, v);
          })
        }
      />
      <Figure
        label="With little load"
        unit="volt"
        figure={supply.highestRmsVolts}
        limits={{ least: supply.rmsVolts, most: 30, range: `${supply.rmsVolts} V to 30 V` }}
        onCommit={(v) => edit('Voltage with little load', (s) => void (s.highestRmsVolts = v))}
      />
    </div>
    <Choice<'50' | '60'>
      label="Mains frequency"
      columns={2}
      options={[
        { value: '50', name: '50 Hz' },
        { value: '60', name: '60 Hz' },
      ]}
      value={supply.hertz === 50 ? '50' : '60'}
      onChoose={(hz) => edit('Mains frequency', (s) => void (s.hertz = hz === '50' ? 50 : 60))}
    />
    <More label="Reversing pulse, transformer, wires" open={supply.reversingPulseVolts > 0}>
      <Figure
        label="Pulse that reverses, 0 V for none"
        unit="volt"
        figure={supply.reversingPulseVolts}
        limits={{ least: 0, most: 60, range: '0 V to 60 V' }}
        onCommit={(v) => edit('Reversing pulse', (s) => void (s.reversingPulseVolts = v))}
      />
      <LimitFields supply={supply} edit={edit} />
      <Figure
        label="Wires, rails and wheels, both ways"
        unit="ohm"
        figure={supply.trackOhms}
        limits={ohms}
        onCommit={(v) => edit('Track resistance', (s) => void (s.trackOhms = v))}
      />
    </More>
  </>
);

const BusFields: FieldsOf<'layout-bus'> = ({ supply, edit }) => (
  <>
    <div className="two-fields">
      <Figure
        label="Volts"
        unit="volt"
        figure={supply.volts}
        limits={{ least: 1, most: 30, range: '1 V to 30 V' }}
        onCommit={(v) =>
          edit('Bus voltage', (s) => {
            s.volts = v;
            s.highestVolts = Math.max(s.highestVolts, v);
          })
        }
      />
      <Figure
        label="Without load"
        unit="volt"
        figure={supply.highestVolts}
        limits={{ least: supply.volts, most: 40, range: `${supply.volts} V to 40 V` }}
        onCommit={(v) => edit('Bus voltage without load', (s) => void (s.highestVolts = v))}
      />
    </div>
    <More label="Supply and wires">
      <LimitFields supply={supply} edit={edit} />
      <Figure
        label="Wires, both ways"
        unit="ohm"
        figure={supply.wireOhms}
        limits={ohms}
        onCommit={(v) => edit('Wire resistance', (s) => void (s.wireOhms = v))}
      />
    </More>
  </>
);

const CellFields: FieldsOf<'cell'> = ({ supply, edit }) => (
  <>
    <div className="count-and-type">
      <CountField
        label="How many"
        count={supply.inSeries}
        least={1}
        most={8}
        onCommit={(n) => edit('Number of cells', (s) => void (s.inSeries = n))}
      />
      <SelectField
        label="Which"
        value={supply.cell}
        options={Object.values(cellTypes).map((c) => ({ value: c.id, label: c.name }))}
        onChange={(cell) => edit('Cell', (s) => void (s.cell = cell))}
      />
    </div>
    <SliderField
      label="Already used"
      figure={Math.round(100 * supply.spent)}
      least={0}
      most={95}
      step={5}
      says={`${Math.round(100 * supply.spent)} % of its charge`}
      onChange={(v) => edit('Charge used', (s) => void (s.spent = v / 100), 'cell-spent')}
    />
    {cellTypes[supply.cell].isCoin && (
      <p className="hint">Coin cells kill when swallowed: keep them from children, also empty ones.</p>
    )}
  </>
);

const fields: { readonly [K in SupplyKindName]: FieldsOf<K> } = {
  'dcc-track': DccFields,
  'dc-track': DcFields,
  'ac-track': AcFields,
  'layout-bus': BusFields,
  cell: CellFields,
};

/** The figures of a supply, by its kind. */
export function SupplyFields({ supplyId, supply }: SupplyFieldsProps) {
  const editLayout = useLayoutStore((s) => s.edit);
  const edit = (label: string, recipe: (s: SupplyRecord) => void, key?: string): void =>
    editLayout(label, (draft) => recipe(draft.supplies[supplyId] as SupplyRecord), key);
  // The record says its kind, and the table has the fields of each kind under it.
  const Fields = fields[supply.kind] as FieldsOf<SupplyKindName>;
  return <Fields supply={supply} edit={edit as Edit<SupplyKindName>} />;
}
