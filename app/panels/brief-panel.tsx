import { NumberField } from '../fields/number-field';
import { TextField } from '../fields/text-field';
import { useLayoutStore } from '../store/layout-store';
import { prototypeMetres } from '../../core/quantity/scale';
import { CountField } from '../fields/count-field';
import type { PanelProps } from './panel-props';

/** What is to be lit: name, note and the body's dimensions. */
export function BriefPanel({ layout, jobId }: PanelProps) {
  const edit = useLayoutStore((s) => s.edit);
  const job = layout.jobs[jobId];
  const d = job.dimensions;
  const set =
    (
      key: 'widthMillimetres' | 'bodyHeightMillimetres' | 'lampDropMillimetres' | 'wheelMillimetres',
      label: string,
    ) =>
    (mm: number) =>
      edit(label, (draft) => {
        draft.jobs[jobId].dimensions[key] = mm;
      });
  return (
    <div className="choices">
      <h2>What is to be lit</h2>
      <TextField
        label="Name"
        text={job.name}
        most={80}
        required
        onCommit={(name) => edit('Name', (draft) => void (draft.jobs[jobId].name = name))}
      />
      <TextField
        label="Note"
        text={job.note}
        most={4000}
        lines={2}
        onCommit={(note) => edit('Note', (draft) => void (draft.jobs[jobId].note = note))}
      />
      <NumberField
        label="Length of the body"
        unit="millimetre"
        figure={d.lengthMillimetres}
        limits={{ least: 30, most: 1500, range: '30 mm to 1500 mm' }}
        aside={`${prototypeMetres(d.lengthMillimetres, layout.scale).toFixed(1)} m`}
        onCommit={(mm) =>
          edit('Length', (draft) => {
            const j = draft.jobs[jobId];
            // Lamps keep their share of the length.
            for (const lamp of Object.values(j.lamps))
              lamp.placeMillimetres *= mm / j.dimensions.lengthMillimetres;
            j.dimensions.lengthMillimetres = mm;
          })
        }
      />
      <div className="two-fields">
        <NumberField
          label="Width"
          unit="millimetre"
          figure={d.widthMillimetres}
          limits={{ least: 5, most: 200, range: '5 mm to 200 mm' }}
          onCommit={set('widthMillimetres', 'Width')}
        />
        <NumberField
          label="Height, floor to roof"
          unit="millimetre"
          figure={d.bodyHeightMillimetres}
          limits={{ least: 8, most: 250, range: '8 mm to 250 mm' }}
          onCommit={set('bodyHeightMillimetres', 'Height')}
        />
        <CountField
          label="Windows a side"
          count={d.windowCount}
          least={1}
          most={40}
          onCommit={(count) =>
            edit('Windows', (draft) => void (draft.jobs[jobId].dimensions.windowCount = count))
          }
        />
        <NumberField
          label="Wheels across"
          unit="millimetre"
          figure={d.wheelMillimetres}
          limits={{ least: 2, most: 60, range: '2 mm to 60 mm' }}
          onCommit={set('wheelMillimetres', 'Wheels')}
        />
      </div>
      <NumberField
        label="Lamps down to the seats"
        unit="millimetre"
        figure={d.lampDropMillimetres}
        limits={{ least: 2, most: 150, range: '2 mm to 150 mm' }}
        aside="decides the light"
        onCommit={set('lampDropMillimetres', 'Drop')}
      />
    </div>
  );
}
