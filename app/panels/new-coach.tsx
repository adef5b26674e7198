import { Button } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { Choice } from '../fields/choice';
import { NumberField } from '../fields/number-field';
import { SelectField } from '../fields/select-field';
import { TextField } from '../fields/text-field';
import { useLayoutStore } from '../store/layout-store';
import { benchPath } from '../shell/paths';
import type { Layout } from '../../core/document/layout';
import { inOrder } from '../../core/document/in-order';
import { wantedWords } from '../../core/light/wanted';
import { formatQuantity } from '../../core/quantity/format';
import { prototypeMetres, scales, type ScaleName } from '../../core/quantity/scale';
import { coachSorts, newCoach, usualLength, type CoachSort } from '../../core/kinds/coach/make';
import { freeName } from '../../core/document/free-name';
import { supplyKind, supplyKinds, type SupplyKindName } from '../../core/supply';

interface NewCoachProps {
  readonly layout: Layout;
  /** Nothing is there yet: the layout's name and scale are asked too. */
  readonly first?: boolean;
}

const KIND = 'kind:';
const kindSays: Readonly<Record<SupplyKindName, string>> = {
  'dc-track': 'a throttle',
  'dcc-track': 'digital',
  'ac-track': 'three-rail',
  'layout-bus': 'two wires, DC',
  cell: 'in the coach',
};

/** Few questions, and a coach laid out and sized from them. */
export function NewCoach({ layout, first = false }: NewCoachProps) {
  const edit = useLayoutStore((s) => s.edit);
  const navigate = useNavigate();
  const own = inOrder(layout.supplies);
  const [sort, setSort] = useState<CoachSort>('open');
  const [length, setLength] = useState<number | null>(null);
  const [supply, setSupply] = useState<string>(own[0]?.id ?? `${KIND}dcc-track`);
  const [lux, setLux] = useState(110);
  const [name, setName] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const lengthMillimetres = length ?? usualLength(sort, layout);
  const called = name ?? freeName(layout, coachSorts.find((s) => s.id === sort)!.name);
  const make = (): void => {
    try {
      const made = newCoach(layout, {
        sort,
        name: called,
        lengthMillimetres,
        wantedLux: lux,
        supply: supply.startsWith(KIND)
          ? { kind: supply.slice(KIND.length) as SupplyKindName }
          : { id: supply },
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
      {first && (
        <div className="two-fields">
          <TextField
            label="The layout is called"
            text={layout.name}
            most={120}
            required
            onCommit={(text) => edit('Name of the layout', (draft) => void (draft.name = text))}
          />
          <SelectField<ScaleName>
            label="Scale"
            value={layout.scale}
            options={(Object.keys(scales) as ScaleName[]).map((s) => ({
              value: s,
              label: `${s} · 1:${scales[s]}`,
            }))}
            onChange={(scale) => edit('Scale', (draft) => void (draft.scale = scale))}
          />
        </div>
      )}
      <Choice<CoachSort>
        label="What is it?"
        columns={4}
        options={coachSorts.map((s) => ({
          value: s.id,
          name: s.name,
          figure: `${usualLength(s.id, layout)} mm`,
        }))}
        value={sort}
        onChoose={(s) => {
          setSort(s);
          setLength(null);
        }}
      />
      <Choice<string>
        label="What feeds it?"
        columns={own.length > 0 ? 4 : 5}
        options={[
          ...own.map((s) => ({ value: s.id, name: s.name, figure: supplyKind(s).name })),
          ...Object.values(supplyKinds)
            .filter((k) => !own.some((s) => s.kind === k.kind))
            .map((k) => ({ value: KIND + k.kind, name: k.name, figure: kindSays[k.kind as SupplyKindName] })),
        ]}
        value={supply}
        onChoose={setSupply}
      />
      <Choice<string>
        label="How bright?"
        columns={6}
        options={wantedWords.map((w) => ({
          value: String(w.lux),
          name: w.name,
          figure: formatQuantity(w.lux, 'lux'),
        }))}
        value={String(lux)}
        onChoose={(w) => setLux(Number(w))}
      />
      <div className="two-fields">
        <NumberField
          key={sort}
          label="Length of the body"
          unit="millimetre"
          figure={lengthMillimetres}
          limits={{ least: 30, most: 1500, range: '30 mm to 1500 mm' }}
          aside={`${prototypeMetres(lengthMillimetres, layout.scale).toFixed(1)} m`}
          onCommit={setLength}
        />
        <TextField key={called} label="Called" text={called} most={80} required onCommit={setName} />
      </div>
      <Button type="primary" size="large" onClick={make}>
        Lay it out and light it
      </Button>
      {refusal && (
        <p className="field-refusal" role="alert">
          {refusal}
        </p>
      )}
    </div>
  );
}
