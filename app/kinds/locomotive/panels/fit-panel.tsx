import { CheckField } from '../../../fields/check-field';
import { Choice } from '../../../fields/choice';
import { NumberField } from '../../../fields/number-field';
import { PassageFields } from '../../../panels/passage-fields';
import { vehicleFit } from '../../../../core/kinds/locomotive/fit';
import { useLocomotiveEdit, type LocomotiveProps } from '../locomotive-props';
import type { LocomotiveRecord } from '../../../../core/kinds/locomotive/record';

type Fit = LocomotiveRecord['fit'];

/** Holes, walls, bores and clearance; what to drill, what can be undone, where light may leak. */
export function FitPanel(props: LocomotiveProps) {
  const { jobId, job } = props;
  const set = useLocomotiveEdit(jobId);
  const study = vehicleFit(job);
  const field = (label: string, key: 'clearanceMillimetres' | 'pipeLengthMillimetres', most: number) => (
    <NumberField
      label={label}
      unit="millimetre"
      figure={job.fit[key]}
      limits={{ least: 0, most, range: `up to ${most} mm` }}
      onCommit={(mm) => set(label, (j) => void ((j.fit as Fit)[key] = mm))}
    />
  );
  return (
    <div className="choices">
      <h2>Does it go in</h2>
      <div className="two-fields">
        <NumberField
          label="End wall"
          unit="millimetre"
          figure={job.body.wallMillimetres}
          limits={{ least: 0.2, most: 10, range: '0.2 to 10 mm' }}
          onCommit={(mm) => set('Wall', (j) => void (j.body.wallMillimetres = mm))}
        />
        {field('Behind the wall, free', 'clearanceMillimetres', 100)}
        {field('Light pipes, inside', 'pipeLengthMillimetres', 40)}
      </div>
      <h3 className="part-head">What the leads go through</h3>
      <PassageFields {...props} />
      <Choice<'opaque' | 'thin-plastic'>
        label="The shell"
        columns={2}
        options={[
          { value: 'opaque', name: 'Lets nothing through' },
          { value: 'thin-plastic', name: 'Thin plastic' },
        ]}
        value={job.body.shell}
        onChoose={(shell) => set('Shell', (j) => void (j.body.shell = shell))}
      />
      <h3 className="part-head">In the dark, with the body on</h3>
      <ul className="tick-list">
        {study.darkPlaces.map((p) => (
          <li key={p.id}>
            <CheckField
              label={p.says}
              checked={p.tested}
              onChange={(on) =>
                set('Dark test', (j) => {
                  j.fit.darkTested = on
                    ? [...j.fit.darkTested, p.id]
                    : j.fit.darkTested.filter((id) => id !== p.id);
                })
              }
            />
          </li>
        ))}
      </ul>
      <h3 className="part-head">Steps, and whether they can be undone</h3>
      <ul className="tick-list">
        {study.steps.map((s) => (
          <li key={s.id}>
            {s.says}{' '}
            <span className={s.undone === 'can' ? 'undo' : 'undo cannot'}>
              {s.undone === 'can' ? 'Can be undone.' : 'Cannot be undone.'}
            </span>
          </li>
        ))}
      </ul>
      <p className="hint">Eye protection when drilling and cutting. Unplug before you open it.</p>
    </div>
  );
}
