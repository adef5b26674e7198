import { NumberField } from '../../../fields/number-field';
import { TextField } from '../../../fields/text-field';
import { useLayoutStore } from '../../../store/layout-store';
import { prototypeMetres } from '../../../../core/quantity/scale';
import { interiorAfter } from '../../../../core/kinds/coach/usual-interior';
import { InteriorFields } from './interior-fields';
import { CountField } from '../../../fields/count-field';
import { coachIn } from '../../../../core/kinds/coach/jobs';
import type { CoachProps } from '../coach-props';

/** What is to be lit: name, note and the body's dimensions. */
export function BriefPanel({ layout, jobId }: CoachProps) {
  const edit = useLayoutStore((s) => s.edit);
  const job = coachIn(layout, jobId);
  const d = job.dimensions;
  const set = (label: string, change: Partial<typeof d>): void =>
    edit(label, (draft) => {
      const j = coachIn(draft, jobId);
      const after = { ...d, ...change };
      j.interior = interiorAfter(job.interior, d, after, layout.scale);
      // Lamps keep their share of the length.
      const along = after.lengthMillimetres / d.lengthMillimetres;
      if (along !== 1)
        for (const lamp of Object.values(j.lamps))
          lamp.placeMillimetres = Math.min(1500, Math.round(lamp.placeMillimetres * along * 10) / 10);
      j.dimensions = after;
    });
  return (
    <div className="choices">
      <h2>What is to be lit</h2>
      <TextField
        label="Name"
        text={job.name}
        most={80}
        required
        onCommit={(name) => edit('Name', (draft) => void (coachIn(draft, jobId).name = name))}
      />
      <div className="two-fields">
        <NumberField
          label="Length of the body"
          unit="millimetre"
          figure={d.lengthMillimetres}
          limits={{ least: 30, most: 1500, range: '30 mm to 1500 mm' }}
          aside={`${prototypeMetres(d.lengthMillimetres, layout.scale).toFixed(1)} m`}
          onCommit={(lengthMillimetres) => set('Length', { lengthMillimetres })}
        />
        <CountField
          label="Windows a side"
          count={d.windowCount}
          least={1}
          most={40}
          onCommit={(windowCount) => set('Windows', { windowCount })}
        />
        <NumberField
          label="Width"
          unit="millimetre"
          figure={d.widthMillimetres}
          limits={{ least: 5, most: 200, range: '5 mm to 200 mm' }}
          onCommit={(widthMillimetres) => set('Width', { widthMillimetres })}
        />
        <NumberField
          label="Height, floor to roof"
          unit="millimetre"
          figure={d.bodyHeightMillimetres}
          limits={{ least: 8, most: 250, range: '8 mm to 250 mm' }}
          onCommit={(bodyHeightMillimetres) => set('Height', { bodyHeightMillimetres })}
        />
      </div>
      <InteriorFields layout={layout} jobId={jobId} />
      <NumberField
        label="Wheels across"
        unit="millimetre"
        figure={d.wheelMillimetres}
        limits={{ least: 2, most: 60, range: '2 mm to 60 mm' }}
        onCommit={(wheelMillimetres) => set('Wheels', { wheelMillimetres })}
      />
      <TextField
        label="Note"
        text={job.note}
        most={4000}
        lines={2}
        onCommit={(note) => edit('Note', (draft) => void (coachIn(draft, jobId).note = note))}
      />
    </div>
  );
}
