import { sceneIn } from '../../../core/kinds/scene/jobs';
import { sceneShapes, type SceneRecord } from '../../../core/kinds/scene/record';
import { shapes } from '../../../core/kinds/scene/shapes';
import { feetAndInches, prototypeMetres } from '../../../core/quantity/scale';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { TextField } from '../../fields/text-field';
import { MotorFields } from '../../panels/moving/motor-fields';
import { useLayoutStore } from '../../store/layout-store';
import type { Draft } from 'immer';
import type { PanelProps } from '../face';

/** What the scene is, how large it is at this scale and in the world, and what turns in it. */
export function BriefPanel({ layout, jobId, job }: PanelProps<SceneRecord>) {
  const edit = useLayoutStore((s) => s.edit);
  const set = (label: string, recipe: (j: Draft<SceneRecord>) => void): void =>
    edit(label, (draft) => recipe(sceneIn(draft, jobId)));
  const size = (key: 'widthMillimetres' | 'heightMillimetres', label: string, most: number) => {
    const real = prototypeMetres(job.body[key], layout.scale);
    return (
      <NumberField
        label={label}
        unit="millimetre"
        figure={job.body[key]}
        limits={{ least: 5, most, range: `5 mm to ${most / 1000} m` }}
        aside={`${real.toFixed(1)} m, ${feetAndInches(real)}`}
        onCommit={(mm) => set(label, (j) => void (j.body[key] = mm))}
      />
    );
  };
  return (
    <div className="choices">
      <h2>What is to move</h2>
      <TextField
        label="Name"
        text={job.name}
        most={80}
        required
        onCommit={(name) => set('Name', (j) => void (j.name = name))}
      />
      <SelectField
        label="It is"
        value={job.body.shape}
        options={sceneShapes.map((id) => ({ value: id, label: shapes[id].name }))}
        onChange={(shape) => set('What it is', (j) => void (j.body.shape = shape))}
      />
      {size('widthMillimetres', 'Width', 2000)}
      {size('heightMillimetres', 'Height', 1000)}
      <MotorFields jobId={jobId} motor={job.motor} />
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
