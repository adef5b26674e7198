import { addressableStrings, type AddressableName } from '../../../core/part/addressable';
import { wireOf, wireNames, type WireName } from '../../../core/part/wire';
import { formatQuantity } from '../../../core/quantity/format';
import { CheckField } from '../../fields/check-field';
import { CountField } from '../../fields/count-field';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { useLayoutStore } from '../../store/layout-store';
import { movingIn } from './moving-in';
import type { Draft } from 'immer';
import type { StringRecord } from '../../../core/document/moving-record';

interface StringFieldsProps {
  readonly jobId: string;
  readonly string: StringRecord;
}

/** The addressable string of a scene: which, how many, where; its power, and its data line. */
export function StringFields({ jobId, string }: StringFieldsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const set = (label: string, recipe: (own: Draft<StringRecord>) => void): void =>
    edit(label, (draft) => recipe(movingIn(draft, jobId).string!));
  const kind = addressableStrings[string.sort];
  const size = (
    key: 'acrossMillimetres' | 'heightMillimetres' | 'alongMillimetres' | 'dataMillimetres',
    label: string,
    least: number,
    most: number,
  ) => (
    <NumberField
      label={label}
      unit="millimetre"
      figure={string[key]}
      limits={{ least, most, range: `${least} mm to ${most / 1000} m` }}
      onCommit={(mm) => set(label, (s) => void (s[key] = mm))}
    />
  );
  return (
    <fieldset className="string-fields">
      <legend>{string.name}</legend>
      <SelectField<AddressableName>
        label="Sort"
        value={string.sort}
        options={Object.values(addressableStrings).map((s) => ({ value: s.id, label: s.name }))}
        onChange={(sort) => set('Sort of the string', (s) => void (s.sort = sort))}
      />
      <div className="two-fields">
        <CountField
          label="Lamps on it"
          count={string.count}
          least={1}
          most={1000}
          onCommit={(count) =>
            edit('Lamps on the string', (draft) => {
              const own = movingIn(draft, jobId);
              own.string!.count = count;
              own.string!.feeds = own.string!.feeds.filter((f) => f.at < count);
              if (own.string!.feeds.length === 0) own.string!.feeds = [{ at: 0, wireMillimetres: 300 }];
              // A group that was the whole string still is; one that reached over its end ends there.
              for (const g of Object.values(own.timeline.groups))
                if (g.of === 'string') {
                  if (g.first === 0 && g.count === string.count) g.count = count;
                  g.first = Math.min(g.first, count - 1);
                  g.count = Math.min(g.count, count - g.first);
                }
            })
          }
        />
        {size('acrossMillimetres', string.laid === 'ring' ? 'Ring, across' : 'Line, long', 1, 20_000)}
        {size('heightMillimetres', 'Middle, above ground', 0, 2000)}
        {size('alongMillimetres', 'Middle, from the left', 0, 5000)}
        <NumberField
          label="Its supply"
          unit="volt"
          figure={string.supplyVolts}
          limits={{ least: 3, most: 30, range: '3 to 30 V' }}
          aside={`made for ${formatQuantity(kind.volts, 'volt')}`}
          onCommit={(volts) => set('Volts of the string', (s) => void (s.supplyVolts = volts))}
        />
        <NumberField
          label="gives"
          unit="amp"
          figure={string.supplyAmps}
          limits={{ least: 0.05, most: 60, range: '50 mA to 60 A' }}
          onCommit={(amps) => set('Supply of the string', (s) => void (s.supplyAmps = amps))}
        />
      </div>
      <p className="hint">
        Power comes in at lamp {string.feeds.map((f) => f.at + 1).join(', ')} through{' '}
        {formatQuantity(string.feeds[0].wireMillimetres, 'millimetre')} of {wireOf(string.wire).name}. Its
        minus is joined with that of the computer.
      </p>
      <More label="Data line and wires">
        <div className="two-fields">
          <NumberField
            label="Resistor in the data line"
            unit="ohm"
            figure={string.dataOhms}
            limits={{ least: 0, most: 10_000, range: '0 to 10 kΩ' }}
            onCommit={(ohms) => set('Data resistor', (s) => void (s.dataOhms = ohms))}
          />
          {size('dataMillimetres', 'Data wire', 0, 20_000)}
          <NumberField
            label="Reservoir at its start"
            unit="farad"
            figure={string.farads}
            limits={{ least: 0, most: 0.1, range: '0 to 100 000 µF' }}
            onCommit={(farads) => set('Reservoir of the string', (s) => void (s.farads = farads))}
          />
          <NumberField
            label="Power wire, one way"
            unit="millimetre"
            figure={string.feeds[0].wireMillimetres}
            limits={{ least: 0, most: 10_000, range: '0 to 10 m' }}
            onCommit={(mm) =>
              set('Power wire', (s) => {
                for (const f of s.feeds) f.wireMillimetres = mm;
              })
            }
          />
          <SelectField<WireName>
            label="Wire"
            value={string.wire}
            options={wireNames.map((w) => ({ value: w, label: wireOf(w).name }))}
            onChange={(wire) => set('Wire of the string', (s) => void (s.wire = wire))}
          />
        </div>
        <CheckField
          label="A level shifter lifts the pin to the string’s volts"
          checked={string.shifter}
          onChange={(on) => set('Level shifter', (s) => void (s.shifter = on))}
        />
      </More>
    </fieldset>
  );
}
