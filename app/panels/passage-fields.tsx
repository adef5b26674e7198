import { Button } from 'antd';
import { passingOf } from '../../core/assembly/passing';
import { anyJobIn } from '../../core/document/jobs';
import { passageKinds, usualPassage, type PassageKind } from '../../core/document/passage-record';
import { freeId } from '../../core/document/usual-supply';
import { wiringOf } from '../../core/kinds/wirings';
import { asWired } from '../../core/study/wired';
import { formatQuantity } from '../../core/quantity/format';
import { CheckField } from '../fields/check-field';
import { NumberField } from '../fields/number-field';
import { SelectField } from '../fields/select-field';
import { TextField } from '../fields/text-field';
import { useLayoutStore } from '../store/layout-store';
import type { Draft } from 'immer';
import type { PassageRecord } from '../../core/document/passage-record';
import type { PanelProps } from '../kinds/face';
import '../drawings/build/build.css';

const kindOptions = (Object.keys(passageKinds) as PassageKind[]).map((k) => ({
  value: k,
  label: passageKinds[k],
}));
/** A plug as wide as small ones commonly are (common practice, no source). */
const USUAL_PLUG = 2.5;
const NEW_BORE = 3;

/** What leads go through from end to end, with what each way has to take. */
export function PassageFields({ jobId, job, solved }: PanelProps) {
  const edit = useLayoutStore((s) => s.edit);
  const set = (label: string, id: string, recipe: (passage: Draft<PassageRecord>) => void): void =>
    edit(label, (draft) => recipe(anyJobIn(draft, jobId).passages[id]));
  const wiring = wiringOf(job.kind);
  const places = [...new Set(Object.keys(job.lamps).map((id) => wiring.placeOf(job, id)))];
  const serves = [
    ...places.map((p) => ({ value: p, label: p.length === 1 ? `lamps of end ${p}` : `lamps of the ${p}` })),
    { value: 'all', label: 'all lamps' },
    { value: 'feed', label: 'the feed' },
  ];
  const passing = passingOf(asWired(solved.bench).assembly, job);
  return (
    <div className="passages">
      {passing.map(({ passage, leads, needsMillimetres }) => {
        const tight = needsMillimetres > passage.boreMillimetres;
        return (
          <fieldset key={passage.id} className="passage">
            <legend>{passage.name}</legend>
            <div className="two-fields">
              <TextField
                label="Called"
                text={passage.name}
                most={60}
                required
                onCommit={(name) => set('Name of a passage', passage.id, (p) => void (p.name = name))}
              />
              <SelectField<PassageKind>
                label="It is"
                value={passage.kind}
                options={kindOptions}
                onChange={(kind) => set('Kind of passage', passage.id, (p) => void (p.kind = kind))}
              />
              <NumberField
                label="Bore, where narrowest"
                unit="millimetre"
                figure={passage.boreMillimetres}
                limits={{ least: 0.1, most: 200, range: '0.1 to 200 mm' }}
                onCommit={(mm) => set('Bore', passage.id, (p) => void (p.boreMillimetres = mm))}
              />
              <NumberField
                label="Length"
                unit="millimetre"
                figure={passage.lengthMillimetres}
                limits={{ least: 0, most: 1500, range: '0 to 1500 mm' }}
                onCommit={(mm) => set('Length', passage.id, (p) => void (p.lengthMillimetres = mm))}
              />
              <SelectField
                label="Through it go the leads of"
                value={passage.serves}
                options={
                  serves.some((o) => o.value === passage.serves)
                    ? serves
                    : [...serves, { value: passage.serves, label: passage.serves }]
                }
                onChange={(who) => set('Who goes through', passage.id, (p) => void (p.serves = who))}
              />
            </div>
            <CheckField
              label="Something hangs on the wires already"
              checked={passage.carriesMillimetres !== null}
              onChange={(on) =>
                set('On the wires already', passage.id, (p) => {
                  p.carriesMillimetres = on ? USUAL_PLUG : null;
                })
              }
            />
            {passage.carriesMillimetres !== null && (
              <NumberField
                label="It is across"
                unit="millimetre"
                figure={passage.carriesMillimetres}
                limits={{ least: 0.1, most: 200, range: '0.1 to 200 mm' }}
                onCommit={(mm) =>
                  set('On the wires already', passage.id, (p) => void (p.carriesMillimetres = mm))
                }
              />
            )}
            <p className={tight ? 'field-refusal' : 'hint'}>
              {leads.length === 0
                ? 'No lead goes through it.'
                : `${leads.length} leads take ${formatQuantity(needsMillimetres, 'millimetre', { significant: 2 })}; it has ${formatQuantity(passage.boreMillimetres, 'millimetre', { significant: 3 })}.`}
            </p>
            <Button
              size="small"
              onClick={() =>
                edit('Passage taken out', (draft) => {
                  Reflect.deleteProperty(anyJobIn(draft, jobId).passages, passage.id);
                })
              }
            >
              Take out {passage.name}
            </Button>
          </fieldset>
        );
      })}
      <Button
        onClick={() =>
          edit('Another passage', (draft) => {
            const own = anyJobIn(draft, jobId);
            const order = 1 + Math.max(0, ...Object.values(own.passages).map((p) => p.order));
            own.passages[freeId(own.passages, 'passage')] = usualPassage(
              order,
              `Hole ${order}`,
              'hole',
              places[0] ?? 'all',
              NEW_BORE,
            );
          })
        }
      >
        Another passage
      </Button>
    </div>
  );
}
