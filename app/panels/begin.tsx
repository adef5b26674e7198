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
import { FreshDoubts } from './fresh-doubts';
import type { Layout } from '../../core/document/layout';
import type { SupplyRecord } from '../../core/document/supply-record';

/** A supply of the layout, or a new one of a kind. */
export type ChosenSupply =
  { readonly id: string } | { readonly kind: SupplyKindName; readonly figures?: Partial<SupplyRecord> };

/** A new supply with figures of its own, by the name people know it by. */
export interface SupplyVariant {
  readonly kind: SupplyKindName;
  readonly name: string;
  readonly says: string;
  readonly figures: Partial<SupplyRecord>;
}

const KIND = 'kind:';
const VARIANT = 'variant:';
const NO_VARIANTS: readonly SupplyVariant[] = [];
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
  /** New supplies with figures of their own, in place of a plain one of their kind. */
  readonly variants?: readonly SupplyVariant[];
  /** It is fed by what is first among its supplies, where nothing is said. */
  readonly prefersFirst?: boolean;
  /** Questions of its kind: before the supply, and after it. */
  readonly before: ReactNode;
  readonly after?: (supply: SupplyKindName) => ReactNode;
  /** @throws Error saying what speaks against it */
  readonly make: (name: string, supply: ChosenSupply) => { readonly layout: Layout; readonly jobId: string };
}

/** The few questions a job is begun with: its kind's own, what feeds it, and its name. */
export function Begin(props: BeginProps) {
  const { layout, usualName, supplies, names, before, after, make, prefersFirst = false } = props;
  const { variants = NO_VARIANTS } = props;
  const edit = useLayoutStore((s) => s.edit);
  const navigate = useNavigate();
  // A cell on board of one job feeds no other.
  const own = inOrder(layout.supplies).filter((s) => supplies.includes(s.kind) && !supplyKind(s).ownSwitch);
  const usual = prefersFirst ? own.find((s) => s.kind === supplies[0]) : own[0];
  const [chosen, setChosen] = useState<string>(
    usual?.id ?? (variants[0]?.kind === supplies[0] ? `${VARIANT}0` : KIND + supplies[0]),
  );
  const [name, setName] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const called = name ?? freeName(layout, usualName);
  const variant = chosen.startsWith(VARIANT) ? variants[Number(chosen.slice(VARIANT.length))] : undefined;
  const supply: ChosenSupply = variant
    ? { kind: variant.kind, figures: variant.figures }
    : chosen.startsWith(KIND)
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
    ...variants.map((v, i) => ({ value: `${VARIANT}${i}`, name: v.name, figure: v.says })),
    ...supplies
      .filter((k) => !variants.some((v) => v.kind === k))
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
      <FreshDoubts name={usualName} supply={supply} make={make} />
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
