import { Button, Select } from 'antd';
import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { CountField } from '../../fields/count-field';
import { Field } from '../../fields/field';
import { TextField } from '../../fields/text-field';
import type { Draft } from 'immer';
import type { TimelineRecord } from '../../../core/document/moving-record';

interface GroupFieldsProps {
  readonly group: TimelineRecord['groups'][string] & { readonly id: string };
  /** Names of the lamps of the job, by id. */
  readonly lamps: ReadonlyMap<string, string>;
  readonly stringLamps: number;
  readonly set: (label: string, recipe: (line: Draft<TimelineRecord>) => void) => void;
  readonly onAdd: () => void;
  readonly onDrop: () => void;
}

/** A group: its name, which lamps, and another scene of it. */
export function GroupFields({ group, lamps, stringLamps, set, onAdd, onDrop }: GroupFieldsProps) {
  const { id, name } = group;
  return (
    <fieldset className="aspect-row">
      <legend className="visually-hidden">{name}</legend>
      <TextField
        label="Group"
        text={name}
        most={40}
        required
        onCommit={(to) => set('Name of a group', (line) => void (line.groups[id].name = to))}
      />
      {group.of === 'lamps' ? (
        <Field label="Its lamps">
          {({ id: field }) => (
            <Select<string[]>
              id={field}
              mode="multiple"
              className="select"
              value={group.lamps}
              options={[...lamps].map(([value, label]) => ({ value, label }))}
              onChange={(to) => {
                if (to.length === 0) return;
                set('Lamps of a group', (line) => {
                  // A lamp moves with one group: it leaves the one it was in.
                  for (const [other, g] of Object.entries(line.groups)) {
                    if (other === id || g.of !== 'lamps') continue;
                    const left = g.lamps.filter((l) => !to.includes(l));
                    if (left.length > 0) g.lamps = left;
                    else {
                      Reflect.deleteProperty(line.groups, other);
                      for (const [c, clip] of Object.entries(line.clips))
                        if (clip.group === other) Reflect.deleteProperty(line.clips, c);
                    }
                  }
                  const own = line.groups[id];
                  if (own.of === 'lamps') own.lamps = to;
                });
              }}
            />
          )}
        </Field>
      ) : (
        <div className="two-fields">
          <CountField
            label="From lamp"
            count={group.first + 1}
            least={1}
            most={stringLamps}
            onCommit={(n) =>
              set('First lamp of a group', (line) => {
                const own = line.groups[id];
                if (own.of !== 'string') return;
                own.first = n - 1;
                own.count = Math.min(own.count, stringLamps - own.first);
              })
            }
          />
          <CountField
            label="how many"
            count={group.count}
            least={1}
            most={stringLamps - group.first}
            onCommit={(n) =>
              set('Lamps of a group', (line) => {
                const own = line.groups[id];
                if (own.of === 'string') own.count = n;
              })
            }
          />
        </div>
      )}
      <div className="button-row">
        <Button icon={<PlusOutlined />} onClick={onAdd}>
          A scene more
        </Button>
        <Button icon={<DeleteOutlined />} aria-label={`Take ${name} out`} onClick={onDrop} />
      </div>
    </fieldset>
  );
}
