import { Button } from 'antd';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { freeName } from '../../core/document/free-name';
import { inOrder } from '../../core/document/in-order';
import { supplyKind, supplyKinds, type SupplyKindName } from '../../core/supply';
import { Choice } from '../fields/choice';
import { TextField } from '../fields/text-field';
import { benchPath } from '../shell/paths';
import { useLayoutStore } from '../store/layout-store';
import type { Layout } from '../../core/document/layout';

/** A supply of the layout, or a new one of a kind. */
export type ChosenSupply = { readonly id: string } | { readonly kind: SupplyKindName };

const KIND = 'kind:';
const kindSays: Readonly<Record<SupplyKindName, string>> = {
  'dc-track': 'a throttle',
  'dcc-track': 'digital',
  'ac-track': 'alternating',
  'layout-bus': 'two wires, DC',
  cell: 'on board',
  'lamp-controller': 'somewhere from 3 to 12 V',
  'accessory-output': '75 mA an address',
};

const kindChosen = (layout: Layout, supply: ChosenSupply): SupplyKindName =>
  'kind' in supply ? supply.kind : layout.supplies[supply.id].kind;

interface BeginProps {
  readonly layout: Layout;
  /** What one is called, when nothing else is said. */
  readonly usualName: string;
  /** The sorts of supply it may have, the most usual first. */
  readonly supplies: readonly SupplyKindName[];
  /** What a new supply of a kind is called here, where it is not called as usual. */
  readonly names?: Readonly<
    Partial<Record<SupplyKindName, { readonly name: string; readonly says: string }>>
  >;
  /** Questions of its kind: before the supply, and after it. */
  readonly before: ReactNode;
  readonly after?: (supply: SupplyKindName) => ReactNode;
  /** @throws Error saying what speaks against it */
  readonly make: (name: string, supply: ChosenSupply) => { readonly layout: Layout; readonly jobId: string };
}

/** The few questions a job is begun with: its kind's own, what feeds it, and its name. */
export function Begin({ layout, usualName, supplies, names, before, after, make }: BeginProps) {
  const edit = useLayoutStore((s) => s.edit);
  const navigate = useNavigate();
  // A cell on board of one job feeds no other.
  const own = inOrder(layout.supplies).filter((s) => supplies.includes(s.kind) && !supplyKind(s).ownSwitch);
  const [chosen, setChosen] = useState<string>(own[0]?.id ?? KIND + supplies[0]);
  const [name, setName] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const called = name ?? freeName(layout, usualName);
  const supply: ChosenSupply = chosen.startsWith(KIND)
    ? { kind: chosen.slice(KIND.length) as SupplyKindName }
    : { id: chosen };
  const onMake = (): void => {
    try {
      const made = make(called, supply);
      edit(`Light ${called}`, (draft) => {
        draft.supplies = made.layout.supplies;
        draft.jobs = made.layout.jobs;
      });
      void navigate(benchPath(made.jobId));
    } catch (error) {
      setRefusal(error instanceof Error ? error.message : String(error));
    }
  };
  const options = [
    ...own.map((s) => ({ value: s.id, name: s.name, figure: supplyKind(s).name })),
    ...supplies
      .filter((k) => names?.[k] || !own.some((s) => s.kind === k))
      .map((k) => ({
        value: KIND + k,
        name: names?.[k]?.name ?? supplyKinds[k].name,
        figure: names?.[k]?.says ?? kindSays[k],
      })),
  ];
  return (
    <div className="begin">
      {before}
      <Choice<string>
        label="What feeds it?"
        columns={Math.min(5, Math.max(3, options.length))}
        options={options}
        value={chosen}
        onChoose={setChosen}
      />
      {after?.(kindChosen(layout, supply))}
      <TextField key={called} label="Called" text={called} most={80} required onCommit={setName} />
      <Button type="primary" size="large" onClick={onMake}>
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
