import { Button, Select } from 'antd';
import { PlusOutlined, DeleteOutlined } from '@ant-design/icons';
import { inOrder } from '../../../core/document/in-order';
import { freeId } from '../../../core/document/usual-supply';
import { tints } from '../../../core/part/tint';
import { lampNamesOf } from '../../../core/study/lamp-names';
import { CheckField } from '../../fields/check-field';
import { SelectField } from '../../fields/select-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import { drivenIn } from './driven-in';
import type { AnyJob } from '../../../core/document/layout';
import type { AspectRecord, Driven } from '../../../core/document/aspect-record';
import type { LampCore } from '../../../core/document/lamp-record';
import type { Show } from '../../../core/supply/drivers/driver-kind';
import type { Draft } from 'immer';
import type { PanelProps } from '../../kinds/face';
import './aspects-panel.css';

type Shown = Show | 'dark';
const shows: readonly { readonly value: Shown; readonly label: string }[] = [
  { value: 'dark', label: 'dark' },
  { value: 'steady', label: 'steady' },
  { value: 'flash', label: 'flashes' },
  { value: 'flash-other', label: 'flashes in turn' },
];
const NO_GLASS = 'no-glass';
const glasses = [
  { value: NO_GLASS, label: 'none: the bare lamp shows' },
  ...Object.values(tints)
    .filter((t) => t.id.endsWith('-glass'))
    .map((t) => ({ value: t.id, label: t.name })),
];

/** The table of aspects: which lamp is lit in which, and how. */
export function AspectsPanel({ layout, jobId, job }: PanelProps<AnyJob & Driven>) {
  const edit = useLayoutStore((s) => s.edit);
  const names = lampNamesOf(layout, jobId);
  const aspects = inOrder(job.aspects);
  // Lamps of one output show alike.
  const lamps = inOrder<LampCore>(job.lamps);
  const groups = [
    ...inOrder(job.circuits).map(({ id, name }) => ({
      name,
      ids: lamps.filter((l) => l.circuitId === id).map((l) => l.id),
    })),
    ...lamps.filter((l) => l.circuitId === null).map((l) => ({ name: names.get(l.id) ?? l.id, ids: [l.id] })),
  ].filter((g) => g.ids.length > 0);
  const set = (label: string, id: string, recipe: (aspect: Draft<AspectRecord>) => void): void =>
    edit(label, (draft) => recipe(drivenIn(draft, jobId).aspects[id]));
  const add = (): void =>
    edit('An aspect more', (draft) => {
      const own = drivenIn(draft, jobId);
      own.aspects[freeId(own.aspects, 'aspect')] = {
        order: 1 + Math.max(0, ...Object.values(own.aspects).map((a) => a.order)),
        name: `Aspect ${aspects.length + 1}`,
        lamps: {},
        dark: false,
        glass: null,
      };
    });
  return (
    <div className="choices">
      <h2>Which lamps, when</h2>
      {aspects.map((aspect) => (
        <fieldset key={aspect.id} className="aspect-row">
          <legend className="visually-hidden">{aspect.name}</legend>
          <div className="aspect-head">
            <TextField
              label="Aspect"
              text={aspect.name}
              most={40}
              required
              onCommit={(name) => set('Name of an aspect', aspect.id, (a) => void (a.name = name))}
            />
            <Button
              aria-label={`Take ${aspect.name} out`}
              icon={<DeleteOutlined />}
              disabled={aspects.length === 1}
              onClick={() =>
                edit(`Take ${aspect.name} out`, (draft) =>
                  Reflect.deleteProperty(drivenIn(draft, jobId).aspects, aspect.id),
                )
              }
            />
          </div>
          {job.driver === null ? (
            <SelectField
              label="Glass before the lamp"
              value={aspect.glass ?? NO_GLASS}
              options={glasses}
              onChange={(glass) =>
                set('Glass', aspect.id, (a) => void (a.glass = glass === NO_GLASS ? null : glass))
              }
            />
          ) : (
            <div className="aspect-lamp-grid">
              {groups.map(({ name, ids }) => (
                <label key={name}>
                  <span>{name}</span>
                  <Select<Shown>
                    aria-label={`${name} in ${aspect.name}`}
                    value={aspect.lamps[ids[0]] ?? 'dark'}
                    options={[...shows]}
                    popupMatchSelectWidth={false}
                    onChange={(show) =>
                      set(`${name} in ${aspect.name}`, aspect.id, (a) => {
                        for (const id of ids)
                          if (show === 'dark') Reflect.deleteProperty(a.lamps, id);
                          else a.lamps[id] = show;
                      })
                    }
                  />
                </label>
              ))}
            </div>
          )}
          {Object.keys(aspect.lamps).length === 0 && (
            <CheckField
              label="Meant to be dark"
              checked={aspect.dark}
              onChange={(on) => set('Meant to be dark', aspect.id, (a) => void (a.dark = on))}
            />
          )}
        </fieldset>
      ))}
      <Button icon={<PlusOutlined />} onClick={add}>
        An aspect more
      </Button>
    </div>
  );
}
