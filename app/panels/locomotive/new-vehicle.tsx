import { Button } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { Choice } from '../../fields/choice';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import { decoderTypes } from '../../../core/part/decoder-type';
import { plugs } from '../../../core/part/plug';
import { prototypeMetres } from '../../../core/quantity/scale';
import { inOrder } from '../../../core/document/in-order';
import { freeName } from '../../../core/document/free-name';
import { setsOf } from '../../../core/kinds/locomotive/lamp-sets';
import {
  newLocomotive,
  usualVehicleLength,
  vehicleSorts,
  type VehicleSort,
} from '../../../core/kinds/locomotive/make';
import { supplyKind, type SupplyKindName } from '../../../core/supply';
import { benchPath } from '../../shell/paths';
import type { Layout } from '../../../core/document/layout';
import type { PresetName } from '../../../core/document/presets';

const KIND = 'kind:';
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

/** Few questions, and a locomotive laid out from them. */
export function NewVehicle({ layout }: { readonly layout: Layout }) {
  const edit = useLayoutStore((s) => s.edit);
  const navigate = useNavigate();
  const own = inOrder(layout.supplies).filter((s) => supplyKind(s).onTrack);
  const [sort, setSort] = useState<VehicleSort>('shunter');
  const [length, setLength] = useState<number | null>(null);
  const [set, setSet] = useState<string | null>(null);
  const [supply, setSupply] = useState(own[0]?.id ?? `${KIND}dc-track`);
  const [hang, setHang] = useState<Hang | null>(null);
  const [topology, setTopology] = useState<PresetName>('shared-both-ways');
  const [name, setName] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const of = vehicleSorts.find((s) => s.id === sort)!;
  const lengthMillimetres = length ?? usualVehicleLength(sort, layout.scale);
  const lamps = set ?? of.set;
  const called = name ?? freeName(layout, of.name);
  const kind = supply.startsWith(KIND)
    ? (supply.slice(KIND.length) as SupplyKindName)
    : layout.supplies[supply].kind;
  const hangs = hang ?? (kind === 'dc-track' ? 'rails' : '8-pin');
  const make = (): void => {
    try {
      const made = newLocomotive(layout, {
        sort,
        name: called,
        lengthMillimetres,
        set: lamps,
        supply: supply.startsWith(KIND) ? { kind } : { id: supply },
        topology,
        decoder: hangs === 'rails' ? null : { type: decoderFor[hangs], plug: hangs },
      });
      edit(`Light ${called}`, (draft) => {
        draft.supplies = made.layout.supplies;
        draft.jobs = made.layout.jobs;
      });
      void navigate(benchPath(made.jobId));
    } catch (error) {
      setRefusal(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <div className="new-coach">
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
      <div className="two-fields">
        <NumberField
          label="Length of the body"
          unit="millimetre"
          figure={lengthMillimetres}
          limits={{ least: 20, most: 1500, range: '20 mm to 1500 mm' }}
          aside={`${prototypeMetres(lengthMillimetres, layout.scale).toFixed(1)} m`}
          onCommit={setLength}
        />
        <SelectField
          label="What feeds it?"
          value={supply}
          options={[
            ...own.map((s) => ({ value: s.id, label: `${s.name} · ${supplyKind(s).name}` })),
            { value: `${KIND}dc-track`, label: 'Another: DC track' },
            { value: `${KIND}dcc-track`, label: 'Another: DCC track' },
          ]}
          onChange={(s) => {
            setSupply(s);
            setHang(null);
          }}
        />
        <SelectField
          label="Lamps at each end"
          value={lamps}
          options={setsOf(layout).map((s) => ({ value: s.id, label: s.name }))}
          onChange={setSet}
        />
        <SelectField<Hang>
          label="They hang on"
          value={hangs}
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
      {hangs === 'rails' && lamps !== 'bulb' && (
        <Choice<PresetName> label="Wired with" options={wirings} value={topology} onChoose={setTopology} />
      )}
      <TextField label="Its name" text={called} most={80} required onCommit={setName} />
      {refusal && <p className="field-refusal">{refusal}</p>}
      <Button type="primary" size="large" onClick={make}>
        Light it
      </Button>
    </div>
  );
}
