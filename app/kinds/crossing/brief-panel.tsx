import { crossingIn } from '../../../core/kinds/crossing/jobs';
import { crossingPassages } from '../../../core/kinds/crossing/usual-passages';
import { feetAndInches, prototypeMetres } from '../../../core/quantity/scale';
import { NumberField } from '../../fields/number-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import type { Draft } from 'immer';
import type { CrossingRecord } from '../../../core/kinds/crossing/record';
import type { PanelProps } from '../face';

type SizeKey =
  | 'heightMillimetres'
  | 'spacingMillimetres'
  | 'lensMillimetres'
  | 'hoodMillimetres'
  | 'postMillimetres'
  | 'boreMillimetres'
  | 'apartMillimetres'
  | 'barrierMillimetres';

/** How large the crossing is at this scale and in the world. */
export function BriefPanel({ layout, jobId, job }: PanelProps<CrossingRecord>) {
  const edit = useLayoutStore((s) => s.edit);
  const set = (label: string, recipe: (j: Draft<CrossingRecord>) => void): void =>
    edit(label, (draft) => recipe(crossingIn(draft, jobId)));
  const { road } = job;
  const size = (key: SizeKey, label: string, least: number, most: number) => {
    const real = prototypeMetres(road[key], layout.scale);
    return (
      <NumberField
        label={label}
        unit="millimetre"
        figure={road[key]}
        limits={{ least, most, range: `${least} to ${most} mm` }}
        aside={`${real.toFixed(2)} m, ${feetAndInches(real)}`}
        onCommit={(mm) =>
          set(label, (j) => {
            j.road[key] = mm;
            j.passages = crossingPassages(j);
          })
        }
      />
    );
  };
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
      {size('heightMillimetres', 'Lamps above the road', 1, 300)}
      <div className="two-fields">
        {size('spacingMillimetres', 'One lamp to the other', 0.5, 100)}
        {size('lensMillimetres', 'Lens across', 0.2, 30)}
        {size('hoodMillimetres', 'Hood, deep', 0, 30)}
        {size('postMillimetres', 'Post, across', 0.5, 30)}
        {size('boreMillimetres', 'Bore of the post', 0.2, 28)}
        {size('apartMillimetres', 'Post to post', 5, 1000)}
        {size('barrierMillimetres', 'Barrier, long', 0, 500)}
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
