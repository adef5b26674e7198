import { useState } from 'react';
import { lampTypes } from '../../../core/document/lamp-type';
import { hookUps, type HookUpName } from '../../../core/document/scenery-record';
import { newBuilding } from '../../../core/kinds/building/make';
import { shells, type ShellName } from '../../../core/kinds/building/shell';
import { Choice } from '../../fields/choice';
import { CountField } from '../../fields/count-field';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { Begin } from '../../panels/begin';
import { scenerySupplies, sceneryVariants } from '../../panels/scenery/supplies';
import type { Layout } from '../../../core/document/layout';

/** Few questions, and a building stands with its rooms lit. */
export function NewBuilding({ layout }: { readonly layout: Layout }) {
  const [rooms, setRooms] = useState(3);
  const [length, setLength] = useState(140);
  const [shell, setShell] = useState<ShellName>('thin-plastic');
  const [part, setPart] = useState('white-warm');
  const [joined, setJoined] = useState<HookUpName | null>(null);
  const usual = (kind: string): HookUpName => joined ?? (kind === 'accessory-output' ? 'output' : 'hub');
  return (
    <Begin
      layout={layout}
      usualName="Building"
      supplies={scenerySupplies}
      variants={sceneryVariants}
      prefersFirst
      make={(name, supply) =>
        newBuilding(layout, {
          name,
          lengthMillimetres: length,
          rooms,
          shell,
          part,
          supply,
          hookUp: usual('id' in supply ? layout.supplies[supply.id].kind : supply.kind),
        })
      }
      before={
        <div className="two-fields">
          <CountField label="Rooms to light" count={rooms} least={1} most={24} onCommit={setRooms} />
          <NumberField
            label="Length"
            unit="millimetre"
            figure={length}
            limits={{ least: 10, most: 3000, range: '10 mm to 3 m' }}
            onCommit={setLength}
          />
          <SelectField
            label="Walls"
            value={shell}
            options={Object.entries(shells).map(([id, s]) => ({ value: id as ShellName, label: s.name }))}
            onChange={setShell}
          />
          <SelectField
            label="Lamps"
            value={part}
            options={lampTypes(layout).map((l) => ({ value: l.id, label: l.name }))}
            onChange={setPart}
          />
        </div>
      }
      after={(kind) => (
        <Choice<HookUpName>
          label="Joined by"
          columns={5}
          options={(Object.keys(hookUps) as HookUpName[]).map((id) => ({
            value: id,
            name: hookUps[id].name,
          }))}
          value={usual(kind)}
          onChoose={setJoined}
        />
      )}
    />
  );
}
