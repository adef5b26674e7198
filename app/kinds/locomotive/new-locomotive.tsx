import { useState } from 'react';
import { Choice } from '../../fields/choice';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { decoderTypes } from '../../../core/part/decoder-type';
import { plugs } from '../../../core/part/plug';
import { prototypeMetres } from '../../../core/quantity/scale';
import { setsOf } from '../../../core/kinds/locomotive/lamp-sets';
import {
  newLocomotive,
  usualVehicleLength,
  vehicleSorts,
  type VehicleSort,
} from '../../../core/kinds/locomotive/make';
import { Begin } from '../../panels/begin';
import type { SupplyKindName } from '../../../core/supply';
import type { Layout } from '../../../core/document/layout';
import type { PresetName } from '../../../core/document/presets';

type Hang = 'rails' | '8-pin' | '6-pin' | '21-pin' | 'wires';
const decoderFor: Readonly<Record<Exclude<Hang, 'rails'>, string>> = {
  '8-pin': 'usual',
  '6-pin': 'small',
  '21-pin': 'many',
  wires: 'usual',
};
const wirings: readonly { value: PresetName; name: string; figure: string }[] = [
  { value: 'shared-both-ways', name: 'One shared resistor', figure: 'fewest joints' },
  { value: 'resistor-each', name: 'A resistor each', figure: 'each as bright as wanted' },
  { value: 'regulated-board', name: 'A regulated board', figure: 'lit from the first volts' },
];

/** Few questions, and a locomotive laid out from them: both ends wired by direction or by function. */
export function NewLocomotive({ layout }: { readonly layout: Layout }) {
  const [sort, setSort] = useState<VehicleSort>('shunter');
  const [length, setLength] = useState<number | null>(null);
  const [set, setSet] = useState<string | null>(null);
  const [hang, setHang] = useState<Hang | null>(null);
  const [topology, setTopology] = useState<PresetName>('shared-both-ways');
  const of = vehicleSorts.find((s) => s.id === sort)!;
  const lengthMillimetres = length ?? usualVehicleLength(sort, layout.scale);
  const lamps = set ?? of.set;
  const hangsOn = (supply: SupplyKindName): Hang => hang ?? (supply === 'dc-track' ? 'rails' : '8-pin');
  return (
    <Begin
      layout={layout}
      usualName={of.name}
      supplies={['dc-track', 'dcc-track', 'ac-track']}
      make={(name, supply) => {
        const on = hangsOn('kind' in supply ? supply.kind : layout.supplies[supply.id].kind);
        return newLocomotive(layout, {
          sort,
          name,
          lengthMillimetres,
          set: lamps,
          supply,
          topology,
          decoder: on === 'rails' ? null : { type: decoderFor[on], plug: on },
        });
      }}
      before={
        <Choice<VehicleSort>
          label="What is it?"
          columns={5}
          options={vehicleSorts.map((s) => ({
            value: s.id,
            name: s.name,
            figure: `${usualVehicleLength(s.id, layout.scale)} mm`,
          }))}
          value={sort}
          onChoose={(s) => {
            setSort(s);
            setLength(null);
            setSet(null);
          }}
        />
      }
      after={(supply) => (
        <>
          <div className="two-fields">
            <SelectField
              label="Lamps at each end"
              value={lamps}
              options={setsOf(layout).map((s) => ({ value: s.id, label: s.name }))}
              onChange={setSet}
            />
            <SelectField<Hang>
              label="They hang on"
              value={hangsOn(supply)}
              options={[
                { value: 'rails', label: 'the rails, by direction' },
                ...(Object.keys(decoderFor) as Exclude<Hang, 'rails'>[]).map((h) => ({
                  value: h,
                  label: `a decoder, ${plugs[h].name} · ${decoderTypes[decoderFor[h]].name}`,
                })),
              ]}
              onChange={setHang}
            />
          </div>
          {hangsOn(supply) === 'rails' && lamps !== 'bulb' && (
            <Choice<PresetName>
              label="Wired with"
              options={wirings}
              value={topology}
              onChoose={setTopology}
            />
          )}
          <NumberField
            label="Length of the body"
            unit="millimetre"
            figure={lengthMillimetres}
            limits={{ least: 20, most: 1500, range: '20 mm to 1500 mm' }}
            aside={`${prototypeMetres(lengthMillimetres, layout.scale).toFixed(1)} m`}
            onCommit={setLength}
          />
        </>
      )}
    />
  );
}
