import { CheckField } from '../../../fields/check-field';
import { Button } from 'antd';
import { useNavigate } from 'react-router';
import { Choice } from '../../../fields/choice';
import { CountField } from '../../../fields/count-field';
import { More } from '../../../fields/more';
import { NumberField } from '../../../fields/number-field';
import { TextField } from '../../../fields/text-field';
import { useLayoutStore } from '../../../store/layout-store';
import { prototypeMetres } from '../../../../core/quantity/scale';
import { mirroredVehicle } from '../../../../core/kinds/locomotive/make';
import { useLocomotiveEdit, type LocomotiveProps } from '../locomotive-props';
import { benchPath } from '../../../shell/paths';

const body = {
  length: { least: 20, most: 1500, range: '20 mm to 1500 mm' },
  width: { least: 5, most: 200, range: '5 mm to 200 mm' },
  height: { least: 8, most: 250, range: '8 mm to 250 mm' },
  wheel: { least: 2, most: 60, range: '2 mm to 60 mm' },
};

/** What it is: name, shape and dimensions, which way round it stands, its far end. */
export function BriefPanel({ layout, jobId, job }: LocomotiveProps) {
  const set = useLocomotiveEdit(jobId);
  const edit = useLayoutStore((s) => s.edit);
  const navigate = useNavigate();
  const b = job.body;
  const mirror = (): void => {
    // What the panel shows may be a remedy that is only looked at.
    const made = mirroredVehicle(useLayoutStore.getState().layout ?? layout, jobId);
    edit('Far end of the train set', (draft) => {
      draft.jobs = made.layout.jobs;
    });
    void navigate(benchPath(made.jobId));
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
      <Choice<typeof b.shape>
        label="Drawn as"
        options={[
          { value: 'hood', name: 'Cab and hood' },
          { value: 'two-cabs', name: 'Two cabs' },
          { value: 'railcar', name: 'Railcar' },
        ]}
        value={b.shape}
        onChoose={(shape) => set('Shape', (j) => void (j.body.shape = shape))}
      />
      <div className="two-fields">
        <NumberField
          label="Length of the body"
          unit="millimetre"
          figure={b.lengthMillimetres}
          limits={body.length}
          aside={`${prototypeMetres(b.lengthMillimetres, layout.scale).toFixed(1)} m`}
          onCommit={(mm) =>
            set('Length', (j) => {
              const along = mm / b.lengthMillimetres;
              j.body.lengthMillimetres = mm;
              for (const l of Object.values(j.lamps))
                l.alongMillimetres = Math.min(1500, Math.round(l.alongMillimetres * along * 10) / 10);
            })
          }
        />
        <CountField
          label="Axles"
          count={b.axles}
          least={2}
          most={16}
          onCommit={(n) => set('Axles', (j) => void (j.body.axles = n))}
        />
        <NumberField
          label="Width"
          unit="millimetre"
          figure={b.widthMillimetres}
          limits={body.width}
          onCommit={(mm) => set('Width', (j) => void (j.body.widthMillimetres = mm))}
        />
        <NumberField
          label="Height of the body"
          unit="millimetre"
          figure={b.heightMillimetres}
          limits={body.height}
          onCommit={(mm) => set('Height', (j) => void (j.body.heightMillimetres = mm))}
        />
        <NumberField
          label="Wheels across"
          unit="millimetre"
          figure={b.wheelMillimetres}
          limits={body.wheel}
          onCommit={(mm) => set('Wheels', (j) => void (j.body.wheelMillimetres = mm))}
        />
      </div>
      <Choice<'right' | 'turned'>
        label="Where end A points"
        columns={2}
        options={[
          { value: 'right', name: 'Forward', figure: 'right rail positive' },
          { value: 'turned', name: 'Backward', figure: 'right rail negative' },
        ]}
        value={job.turned ? 'turned' : 'right'}
        onChoose={(v) => set('Which way round', (j) => void (j.turned = v === 'turned'))}
      />
      <p className="hint">
        Right rail positive runs forward. A vehicle that stands with end A forward then runs towards end A.
      </p>
      <More label="A train set’s other end">
        <p className="hint">
          The unpowered far end of a set is this vehicle mirrored: its end A leads when this one’s trails.
        </p>
        <div className="button-row">
          <Button onClick={mirror}>Make the far end</Button>
        </div>
        <CheckField
          label="It has the motor"
          checked={job.powered}
          onChange={(on) => set('Motor', (j) => void (j.powered = on))}
        />
      </More>
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
