import { Select } from 'antd';
import { CountField } from '../fields/count-field';
import { Choice } from '../fields/choice';
import { NumberField } from '../fields/number-field';
import { useLayoutStore } from '../store/layout-store';
import { inOrder } from '../../core/document/layout';
import { leds } from '../../core/part/led';
import { formatQuantity } from '../../core/quantity/format';
import { spreadPlaces } from '../../core/study/window-light';
import type { GroupRecord } from '../../core/document/coach-record';
import type { PanelProps } from './panel-props';

const MOST_LAMPS = 40;

/** Which lamps, how many, where, and how they share a resistor. */
export function LampsPanel({ layout, jobId }: PanelProps) {
  const edit = useLayoutStore((s) => s.edit);
  const job = layout.jobs[jobId];
  const lamps = inOrder(job.lamps);
  const group = inOrder(job.groups)[0];
  const { lengthMillimetres } = job.dimensions;
  const kinds = new Set(lamps.map((l) => l.part));
  const setCount = (count: number): void =>
    edit('Number of lamps', (draft) => {
      const records = draft.jobs[jobId].lamps;
      for (const extra of lamps.slice(count)) Reflect.deleteProperty(records, extra.id);
      for (let i = lamps.length; i < count; i++) {
        let n = i + 1;
        while (Object.hasOwn(records, `lamp-${n}`)) n++;
        records[`lamp-${n}`] = {
          order: (lamps[lamps.length - 1]?.order ?? 0) + 1 + i - lamps.length,
          part: lamps[0]?.part ?? 'white-warm',
          placeMillimetres: 0,
          groupId: group?.id ?? null,
        };
      }
      const places = spreadPlaces(count, lengthMillimetres);
      inOrder(records).forEach((l, i) => (records[l.id].placeMillimetres = places[i]));
    });
  const led = leds[lamps[0]?.part ?? 'white-warm'];
  return (
    <div className="choices">
      <h2>Lamps in the roof</h2>
      <div className="count-and-type">
        <CountField label="How many" count={lamps.length} least={1} most={MOST_LAMPS} onCommit={setCount} />
        <div className="field">
          <label htmlFor="lamp-type">Which</label>
          <Select
            id="lamp-type"
            className="select"
            value={kinds.size === 1 ? lamps[0].part : undefined}
            placeholder="several"
            popupMatchSelectWidth={false}
            options={Object.values(leds).map((l) => ({ value: l.id, label: l.name }))}
            onChange={(part: string) =>
              edit('Lamp type', (draft) => {
                for (const l of Object.values(draft.jobs[jobId].lamps)) l.part = part;
              })
            }
          />
        </div>
      </div>
      <p className="hint">
        {led.name}: {formatQuantity(led.forwardVolts, 'volt')} at {formatQuantity(led.testAmps, 'amp')},{' '}
        {formatQuantity(led.greatestAmps, 'amp')} at most.
      </p>
      {group && (
        <Choice<GroupRecord['drive']>
          label="Current limited by"
          options={[
            { value: 'resistor-each', name: 'A resistor each' },
            { value: 'resistor-shared', name: 'One for all' },
            { value: 'none', name: 'Nothing' },
          ]}
          value={group.drive}
          onChoose={(drive) =>
            edit('Current limit', (draft) => void (draft.jobs[jobId].groups[group.id].drive = drive))
          }
        />
      )}
      <p className="list-head">From the left end, and joined to the roof line or not</p>
      <ol className="lamp-list">
        {lamps.map((lamp, i) => (
          <li key={lamp.id}>
            {i + 1}
            <NumberField
              label={`Place of lamp ${i + 1}`}
              unit="millimetre"
              figure={lamp.placeMillimetres}
              limits={{
                least: 0,
                most: lengthMillimetres,
                range: `0 mm to ${formatQuantity(lengthMillimetres, 'millimetre')}`,
              }}
              onCommit={(mm) =>
                edit(
                  `Place of lamp ${i + 1}`,
                  (draft) => void (draft.jobs[jobId].lamps[lamp.id].placeMillimetres = mm),
                )
              }
            />
            <input
              type="checkbox"
              className="tick"
              aria-label={`Lamp ${i + 1} is joined to the roof line`}
              title={`Lamp ${i + 1} is joined to the roof line`}
              checked={lamp.groupId !== null}
              disabled={!group}
              onChange={(e) =>
                edit(`Lead of lamp ${i + 1}`, (draft) => {
                  draft.jobs[jobId].lamps[lamp.id].groupId = e.target.checked ? group.id : null;
                })
              }
            />
          </li>
        ))}
      </ol>
    </div>
  );
}
