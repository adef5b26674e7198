import { Button } from 'antd';
import {
  alreadyThings,
  fates,
  reusable,
  type AlreadyThing,
  type Fate,
} from '../../../core/document/already-record';
import { anyJobIn } from '../../../core/document/jobs';
import { freeId } from '../../../core/document/usual-supply';
import { alreadyIn } from '../../../core/study/already';
import { Choice } from '../../fields/choice';
import { CountField } from '../../fields/count-field';
import { SelectField } from '../../fields/select-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import type { Draft } from 'immer';
import type { AlreadyRecord } from '../../../core/document/already-record';
import type { PanelProps } from '../../kinds/face';

const MOST = 200;
const thingOptions = (Object.keys(alreadyThings) as AlreadyThing[]).map((value) => ({
  value,
  label: alreadyThings[value],
}));
/** What can become of a thing: only what the lights can use is used again, pegs are cleaned. */
const fateOptions = (what: AlreadyThing) =>
  (Object.keys(fates) as Fate[])
    .filter((value) => value !== 'reused' || reusable.includes(what) || what === 'pegs')
    .map((value) => ({ value, name: fates[value] }));

/** What is in the model before work begins, and what becomes of it: what comes out is a step, what is used again is not bought. */
export function AlreadyFields({ jobId, job }: PanelProps) {
  const edit = useLayoutStore((s) => s.edit);
  const things = alreadyIn(job);
  const set = (label: string, id: string, recipe: (of: Draft<AlreadyRecord>) => void): void =>
    edit(label, (draft) => recipe(anyJobIn(draft, jobId).already![id]));
  return (
    <div className="already">
      <p className="hint">
        What comes out is a step of the order; what is used again is looked at first, and not bought.
      </p>
      {things.map(({ id, what, count, fate, note }) => (
        <fieldset key={id} className="passage">
          <legend>{alreadyThings[what]}</legend>
          <SelectField<AlreadyThing>
            label="Thing in the model"
            value={what}
            options={thingOptions}
            onChange={(next) =>
              set('Thing in the model', id, (of) => {
                of.what = next;
                if (!fateOptions(next).some((o) => o.value === of.fate)) of.fate = 'stays';
              })
            }
          />
          <CountField
            label="Number of them"
            count={count}
            least={1}
            most={MOST}
            onCommit={(n) => set('Number of them', id, (of) => void (of.count = n))}
          />
          <Choice<Fate>
            label="What becomes of it"
            value={fate}
            options={fateOptions(what)}
            onChoose={(next) => set('What becomes of it', id, (of) => void (of.fate = next))}
          />
          <TextField
            label="Note for the bench"
            text={note}
            most={200}
            onCommit={(text) => set('Note for the bench', id, (of) => void (of.note = text))}
          />
          <Button
            size="small"
            onClick={() =>
              edit('Remove a thing in the model', (draft) => {
                Reflect.deleteProperty(anyJobIn(draft, jobId).already!, id);
              })
            }
          >
            Remove {alreadyThings[what].toLowerCase()}
          </Button>
        </fieldset>
      ))}
      <Button
        onClick={() =>
          edit('Add a thing in the model', (draft) => {
            const own = anyJobIn(draft, jobId);
            own.already ??= {};
            own.already[freeId(own.already, 'thing')] = {
              order: Math.max(0, ...things.map((t) => t.order)) + 1,
              what: 'lamps',
              count: 1,
              fate: 'goes',
              note: '',
            };
          })
        }
      >
        Add a thing in the model
      </Button>
    </div>
  );
}
