import { freeId, usualSupply } from '../../core/document/usual-supply';
import { anyJobIn } from '../../core/document/jobs';
import { inOrder } from '../../core/document/in-order';
import { supplyKind, supplyKinds, type SupplyKindName } from '../../core/supply';
import { THROTTLE } from '../../core/supply/state';
import { SelectField } from '../fields/select-field';
import { useLayoutStore } from '../store/layout-store';
import { handOf, useRunStore } from '../store/run-store';
import type { Layout } from '../../core/document/layout';

interface SupplyFieldProps {
  readonly layout: Layout;
  readonly jobId: string;
  readonly label?: string;
  /** Sorts of supply that make sense. */
  readonly kinds?: readonly SupplyKindName[];
  /** Which of its supplies: the one it is made for, or another it is tried on. */
  readonly which?: 'supplyId' | 'otherSupplyId';
}

const ANOTHER = 'add:';
const NONE = 'none';

/** What feeds a job: a supply of the layout, or another one made for it. */
export function SupplyField({
  layout,
  jobId,
  label = 'Supply',
  kinds,
  which = 'supplyId',
}: SupplyFieldProps) {
  const edit = useLayoutStore((s) => s.edit);
  const control = useRunStore((s) => s.control);
  const job = layout.jobs[jobId];
  const own = which === 'supplyId';
  const now = own ? job.supplyId : job.otherSupplyId;
  const known = inOrder(layout.supplies).filter((s) => kinds?.includes(s.kind) ?? true);
  const makes = (kinds ?? (Object.keys(supplyKinds) as SupplyKindName[])).map((k) => supplyKinds[k]);
  const choose = (value: string): void => {
    // A hand laid on the throttle of before is taken off.
    const { [THROTTLE]: left, ...set } = handOf(jobId).set;
    void left;
    control(jobId, { supplyId: null, set });
    const added = value.startsWith(ANOTHER) ? (value.slice(ANOTHER.length) as SupplyKindName) : null;
    edit(added ? `Supply: ${supplyKinds[added].name}` : 'Supply', (draft) => {
      let id: string | null = value === NONE ? null : value;
      if (added) {
        id = freeId(layout.supplies, added);
        const order = 1 + Math.max(0, ...Object.values(layout.supplies).map((s) => s.order));
        draft.supplies[id] = usualSupply(added, layout.scale, order);
      }
      Object.assign(anyJobIn(draft, jobId), { [which]: id });
    });
  };
  return (
    <SelectField<string>
      label={label}
      value={typeof now === 'string' ? now : NONE}
      options={[
        ...(own ? [] : [{ value: NONE, label: 'No other supply' }]),
        ...known
          .filter((s) => own || s.id !== job.supplyId)
          .map((s) => ({ value: s.id, label: `${s.name} · ${supplyKind(s).name}` })),
        ...makes.map((k) => ({ value: ANOTHER + k.kind, label: `Another: ${k.name}` })),
      ]}
      onChange={choose}
    />
  );
}
