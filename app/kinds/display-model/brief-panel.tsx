import { displayModelIn } from '../../../core/kinds/display-model/jobs';
import { displaySorts } from '../../../core/kinds/display-model/make';
import { Choice } from '../../fields/choice';
import { NumberField } from '../../fields/number-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import type { Draft } from 'immer';
import type { DisplayModelRecord, DisplayShape } from '../../../core/kinds/display-model/record';
import type { PanelProps } from '../face';

/** What stands on the stand. */
export function BriefPanel({ jobId, job }: PanelProps<DisplayModelRecord>) {
  const edit = useLayoutStore((s) => s.edit);
  const set = (label: string, recipe: (j: Draft<DisplayModelRecord>) => void): void =>
    edit(label, (draft) => recipe(displayModelIn(draft, jobId)));
  const { body } = job;
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
      <Choice<DisplayShape>
        label="Shape"
        columns={2}
        options={displaySorts.map((s) => ({ value: s.id, name: s.name, figure: s.says }))}
        value={body.shape}
        onChoose={(shape) => set('Shape', (j) => void (j.body.shape = shape))}
      />
      <div className="two-fields">
        <NumberField
          label="Length"
          unit="millimetre"
          figure={body.lengthMillimetres}
          limits={{ least: 20, most: 3000, range: '20 mm to 3 m' }}
          onCommit={(mm) =>
            set('Length', (j) => {
              const along = mm / body.lengthMillimetres;
              for (const l of Object.values(j.lamps))
                l.alongMillimetres = Math.round(l.alongMillimetres * along * 10) / 10;
              j.body.lengthMillimetres = mm;
            })
          }
        />
        <NumberField
          label="Height"
          unit="millimetre"
          figure={body.heightMillimetres}
          limits={{ least: 5, most: 2000, range: '5 mm to 2 m' }}
          onCommit={(mm) => set('Height', (j) => void (j.body.heightMillimetres = mm))}
        />
        <NumberField
          label="Height of the stand"
          unit="millimetre"
          figure={body.standMillimetres}
          limits={{ least: 0, most: 1000, range: '0 mm to 1 m' }}
          onCommit={(mm) => set('Stand', (j) => void (j.body.standMillimetres = mm))}
        />
      </div>
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
