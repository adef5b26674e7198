import { canopyIn } from '../../../core/kinds/canopy/jobs';
import { placesOfString, canopySides } from '../../../core/kinds/canopy/string';
import { canopyPassages } from '../../../core/kinds/canopy/usual-passages';
import { inOrder } from '../../../core/document/in-order';
import { prototypeMetres } from '../../../core/quantity/scale';
import { CheckField } from '../../fields/check-field';
import { NumberField } from '../../fields/number-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import type { Draft } from 'immer';
import type { CanopyRecord } from '../../../core/kinds/canopy/record';
import type { PanelProps } from '../face';

type Size = 'lengthMillimetres' | 'widthMillimetres' | 'heightMillimetres' | 'trussMillimetres';
const sizes: readonly (readonly [Size, string, number, number])[] = [
  ['lengthMillimetres', 'Length', 30, 3000],
  ['widthMillimetres', 'Width', 5, 600],
  ['heightMillimetres', 'Lamps above the platform', 3, 400],
  ['trussMillimetres', 'From truss to truss', 3, 500],
];

/** Hangs the lamps of both sides anew. */
function hangAnew(job: Draft<CanopyRecord>): void {
  for (const side of canopySides) {
    const own = inOrder(job.lamps).filter((l) => l.side === side);
    placesOfString(job.roof, own.length).forEach((at, i) => (job.lamps[own[i].id].alongMillimetres = at));
  }
}

/** How large the roof is, and how its string hangs. */
export function BriefPanel({ layout, jobId, job }: PanelProps<CanopyRecord>) {
  const edit = useLayoutStore((s) => s.edit);
  const set = (label: string, recipe: (j: Draft<CanopyRecord>) => void): void =>
    edit(label, (draft) => recipe(canopyIn(draft, jobId)));
  const { roof } = job;
  return (
    <div className="choices">
      <h2>What is to be lit</h2>
      <TextField
        label="Name"
        text={job.name}
        most={80}
        required
        onCommit={(name) => set('Name', (j) => void (j.name = name))}
      />
      {sizes.map(([key, label, least, most]) => (
        <NumberField
          key={key}
          label={label}
          unit="millimetre"
          figure={roof[key]}
          limits={{ least, most, range: `${least} mm to ${most} mm` }}
          aside={`${prototypeMetres(roof[key], layout.scale).toFixed(1)} m full size`}
          onCommit={(mm) =>
            set(label, (j) => {
              j.roof[key] = mm;
              if (key === 'lengthMillimetres' || key === 'trussMillimetres') hangAnew(j);
              else j.passages = canopyPassages(j.roof.heightMillimetres, j.roof.widthMillimetres);
            })
          }
        />
      ))}
      <CheckField
        label="Lamps twisted to face down"
        checked={roof.twisted}
        onChange={(on) => set('Twisted', (j) => void (j.roof.twisted = on))}
      />
      <CheckField
        label="Backs painted"
        checked={roof.backsPainted}
        onChange={(on) => set('Backs painted', (j) => void (j.roof.backsPainted = on))}
      />
      <TextField
        label="Note"
        text={job.note}
        most={4000}
        lines={2}
        onCommit={(note) => set('Note', (j) => void (j.note = note))}
      />
    </div>
  );
}
