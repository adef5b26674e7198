import { anyJobIn } from '../../../core/document/jobs';
import { inOrder } from '../../../core/document/in-order';
import { putOnSupply, supplyBeside } from '../../../core/document/line-stages';
import { freeId, usualSupply } from '../../../core/document/usual-supply';
import { feedsBeside } from '../../../core/supply';
import { More } from '../../fields/more';
import { SelectField } from '../../fields/select-field';
import { useLayoutStore } from '../../store/layout-store';
import { SupplyFields } from '../supplies';
import type { PanelProps } from '../../kinds/face';

const OWN = 'own';
const NEW_CELL = 'new-cell';

/** The supply a circuit hangs on: the job's, or one beside it that keeps its sides, as a cell of its own. */
export function SourceField({ layout, jobId, job, circuitId }: PanelProps & { readonly circuitId: string }) {
  const edit = useLayoutStore((s) => s.edit);
  const beside = supplyBeside(job, job.circuits[circuitId].lineId);
  const choose = (value: string): void =>
    edit('What feeds a circuit', (draft) => {
      let id = value === OWN ? null : value;
      if (value === NEW_CELL) {
        id = freeId(layout.supplies, 'cell');
        const order = 1 + Math.max(0, ...Object.values(layout.supplies).map((s) => s.order));
        draft.supplies[id] = {
          ...usualSupply('cell', layout.scale, order),
          name: `Cell of ${job.name}`.slice(0, 80),
        };
      }
      putOnSupply(anyJobIn(draft, jobId), circuitId, id);
    });
  return (
    <More label="Another supply for these lamps" open={beside !== null}>
      <SelectField<string>
        label="They hang on"
        value={beside ?? OWN}
        options={[
          { value: OWN, label: `${layout.supplies[job.supplyId].name}, as the rest` },
          ...inOrder(layout.supplies)
            .filter((s) => s.id !== job.supplyId && feedsBeside(s))
            .map((s) => ({ value: s.id, label: s.name })),
          { value: NEW_CELL, label: 'A cell of their own' },
        ]}
        onChange={choose}
      />
      {beside !== null && <SupplyFields supplyId={beside} supply={layout.supplies[beside]} />}
    </More>
  );
}
