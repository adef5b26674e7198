import { signalIn } from '../../../core/kinds/signal/jobs';
import { signalForms } from '../../../core/kinds/signal/practices';
import { signalPassages } from '../../../core/kinds/signal/usual-passages';
import { formatQuantity } from '../../../core/quantity/format';
import { feetAndInches, prototypeMetres } from '../../../core/quantity/scale';
import { Choice } from '../../fields/choice';
import { NumberField } from '../../fields/number-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import type { Draft } from 'immer';
import type { SignalRecord } from '../../../core/kinds/signal/record';
import type { PanelProps } from '../face';

const metres = { least: 0.1, most: 10 };

/** What signal it is, and how large at this scale and in the world. */
export function BriefPanel({ layout, jobId, job }: PanelProps<SignalRecord>) {
  const edit = useLayoutStore((s) => s.edit);
  const set = (label: string, recipe: (j: Draft<SignalRecord>) => void): void =>
    edit(label, (draft) => recipe(signalIn(draft, jobId)));
  const { head } = job;
  const size = (
    key:
      | 'heightMillimetres'
      | 'spacingMillimetres'
      | 'lensMillimetres'
      | 'hoodMillimetres'
      | 'postMillimetres'
      | 'boreMillimetres',
    label: string,
    least: number,
    most: number,
    refit = false,
  ) => {
    const real = prototypeMetres(head[key], layout.scale);
    return (
      <NumberField
        label={label}
        unit="millimetre"
        figure={head[key]}
        limits={{ least, most, range: `${least} to ${most} mm` }}
        aside={`${real.toFixed(2)} m, ${feetAndInches(real)}`}
        onCommit={(mm) =>
          set(label, (j) => {
            j.head[key] = mm;
            if (refit) j.passages = signalPassages(j);
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
      <p className="hint">
        {signalForms[head.form].name}: {signalForms[head.form].says}. Which lamps it has and what it shows are
        at Lamps and Aspects.
      </p>
      <Choice<'post' | 'bracket'>
        label="Stands on"
        columns={2}
        options={[
          { value: 'post', name: 'A post of its own', figure: 'leads go down its bore' },
          { value: 'bracket', name: 'A bracket or gantry', figure: 'leads go along it' },
        ]}
        value={head.mount}
        onChoose={(mount) =>
          set('Stands on', (j) => {
            j.head.mount = mount;
            j.passages = signalPassages(j);
          })
        }
      />
      {size('heightMillimetres', 'Lowest lamp above the ground', 0.5, 500, true)}
      <div className="two-fields">
        {size('lensMillimetres', 'Lens across', 0.2, 30)}
        {size('hoodMillimetres', 'Hood, deep', 0, 40)}
        {size('spacingMillimetres', 'Lamp to lamp', 0.5, 60)}
        {size('postMillimetres', 'Post, across', 0.5, 30, true)}
        {size('boreMillimetres', 'Bore of the post', 0.2, 28, true)}
        <NumberField
          label="Looked at from"
          unit="millimetre"
          figure={1000 * head.viewMetres}
          limits={{ least: 1000 * metres.least, most: 1000 * metres.most, range: '100 mm to 10 m' }}
          aside={`${formatQuantity(1000 * prototypeMetres(1000 * head.viewMetres, layout.scale), 'millimetre', { significant: 2 })} full size`}
          onCommit={(mm) => set('Looked at from', (j) => void (j.head.viewMetres = mm / 1000))}
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
