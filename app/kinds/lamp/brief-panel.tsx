import { lampsIn } from '../../../core/kinds/lamp/jobs';
import { spaceOut, usualFitting } from '../../../core/kinds/lamp/row';
import { lampPassages } from '../../../core/kinds/lamp/usual-passages';
import { fits, fittingSorts, type FittingSortName, type Measure } from '../../../core/part/lamp-fitting';
import { bases, bendOf, hoods, kitPrice, mastStock, wrappedMillimetres } from '../../../core/part/lamp-kit';
import { formatQuantity } from '../../../core/quantity/format';
import { feetAndInches, prototypeMetres } from '../../../core/quantity/scale';
import { CheckField } from '../../fields/check-field';
import { Choice } from '../../fields/choice';
import { CountField } from '../../fields/count-field';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import type { Draft } from 'immer';
import type { LampRecord } from '../../../core/kinds/lamp/record';
import type { PanelProps } from '../face';

type SizeKey =
  'heightMillimetres' | 'headMillimetres' | 'hoodMillimetres' | 'outreachMillimetres' | 'spacingMillimetres';

/** What sort of lamp, how large at this scale and in the world, and what it is put together from. */
export function BriefPanel({ layout, jobId, job }: PanelProps<LampRecord>) {
  const edit = useLayoutStore((s) => s.edit);
  const set = (label: string, recipe: (j: Draft<LampRecord>) => void): void =>
    edit(label, (draft) => recipe(lampsIn(draft, jobId)));
  const { fitting, kit } = job;
  const sort = fittingSorts[fitting.sort];
  const onMast = sort.stands === 'mast';
  /** What it is in the world, with a verdict. */
  const real = (millimetres: number, measure: Measure): string => {
    const metres = prototypeMetres(millimetres, layout.scale);
    const verdict = fits(metres, measure);
    return `${metres.toFixed(2)} m, ${feetAndInches(metres)}${verdict === 'fits' ? '' : `: too ${verdict}`}`;
  };
  const size = (key: SizeKey, label: string, most: number, measure?: Measure) => (
    <NumberField
      label={label}
      unit="millimetre"
      figure={fitting[key]}
      limits={{
        least: key === 'outreachMillimetres' || key === 'hoodMillimetres' ? 0 : 0.5,
        most,
        range: `up to ${most} mm`,
      }}
      aside={measure && real(fitting[key], measure)}
      onCommit={(mm) =>
        set(label, (j) => {
          j.fitting[key] = mm;
          if (key === 'spacingMillimetres') spaceOut(j);
          if (key === 'heightMillimetres') j.passages = lampPassages(j);
        })
      }
    />
  );
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
      <Choice<FittingSortName>
        label="Sort of lamp"
        columns={2}
        options={Object.values(fittingSorts).map((s) => ({ value: s.id, name: s.name, figure: s.says }))}
        value={fitting.sort}
        onChoose={(id) =>
          set('Sort of lamp', (j) => {
            j.fitting = usualFitting(id, layout.scale);
            j.passages = lampPassages(j);
            spaceOut(j);
          })
        }
      />
      {size('heightMillimetres', 'Lamp above the ground', 500, sort.height)}
      {size('headMillimetres', 'Head across', 80, sort.head)}
      <div className="two-fields">
        {size('hoodMillimetres', 'Lamp inside its hood by', 40)}
        {size('outreachMillimetres', 'Stands out by', 200)}
        {size('spacingMillimetres', 'From one to the next', 3000)}
        <NumberField
          label="Turned out from down"
          unit="degree"
          figure={fitting.aimDegrees}
          limits={{ least: 0, most: 90, range: '0° to 90°' }}
          onCommit={(degrees) => set('Turned out', (j) => void (j.fitting.aimDegrees = degrees))}
        />
      </div>
      <More label="Built from parts" open={onMast}>
        {onMast && (
          <>
            <SelectField
              label="Mast"
              value={kit.mast}
              options={Object.values(mastStock).map((m) => ({ value: m.id, label: m.name }))}
              onChange={(mast) =>
                set('Mast', (j) => {
                  j.kit.mast = mast as LampRecord['kit']['mast'];
                  j.passages = lampPassages(j);
                })
              }
            />
            <Bend job={job} />
            <CountField
              label="Turns of tape round its foot"
              count={kit.wraps}
              least={0}
              most={60}
              onCommit={(n) => set('Tape', (j) => void (j.kit.wraps = n))}
            />
            {kit.wraps > 0 && (
              <p className="hint">
                {formatQuantity(
                  wrappedMillimetres(mastStock[kit.mast].outsideMillimetres, kit.wraps),
                  'millimetre',
                )}{' '}
                across where it is wound.
              </p>
            )}
            <SelectField
              label="Foot"
              value={kit.base}
              options={Object.values(bases).map((b) => ({ value: b.id, label: b.name }))}
              onChange={(base) => set('Foot', (j) => void (j.kit.base = base as LampRecord['kit']['base']))}
            />
          </>
        )}
        <SelectField
          label="Hood"
          value={kit.hood}
          options={Object.values(hoods).map((h) => ({ value: h.id, label: h.name }))}
          onChange={(hood) => set('Hood', (j) => void (j.kit.hood = hood as LampRecord['kit']['hood']))}
        />
        <CheckField
          label="A ball on top"
          checked={kit.ball}
          onChange={(on) => set('Ball', (j) => void (j.kit.ball = on))}
        />
        <KitCost layout={layout} job={job} />
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

/** How its mast bends when it is knocked. */
function Bend({ job: { kit, fitting } }: { readonly job: LampRecord }) {
  const { newtons, grams, millimetres } = bendOf(kit.mast, fitting.heightMillimetres);
  return (
    <p className="hint">
      A push at its top bends it for good from {newtons.toPrecision(2)} N on, {Math.round(grams)} g; until
      then it gives {formatQuantity(millimetres, 'millimetre', { significant: 2 })}.
    </p>
  );
}

/** What the parts of one lamp cost, and of all. */
function KitCost({ layout, job }: { readonly layout: PanelProps['layout']; readonly job: LampRecord }) {
  const each = kitPrice(
    job.kit,
    fittingSorts[job.fitting.sort].stands === 'mast' ? job.fitting.heightMillimetres : 0,
  );
  const count = Object.keys(job.lamps).length;
  return (
    <p className="hint">
      Mast, hood and foot: {each.toFixed(2)} {layout.currency} a lamp, {(each * count).toFixed(2)}{' '}
      {layout.currency} for {count}; lamps, resistors and wire are in the lists of the Build stage.
    </p>
  );
}
