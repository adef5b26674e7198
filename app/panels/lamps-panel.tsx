import { CountField } from '../fields/count-field';
import { Choice } from '../fields/choice';
import { More } from '../fields/more';
import { NumberField } from '../fields/number-field';
import { SelectField } from '../fields/select-field';
import { useLayoutStore } from '../store/layout-store';
import { inOrder } from '../../core/document/layout';
import { lampType, lampTypes } from '../../core/document/lamp-type';
import { tintedLight } from '../../core/light/tinted';
import { tints } from '../../core/part/tint';
import { screenColour } from '../../core/light/colour';
import { formatQuantity } from '../../core/quantity/format';
import { spreadPlaces, untintedLux } from '../../core/study/window-light';
import { BuiltInFields } from './built-in-fields';
import type { GroupRecord } from '../../core/document/coach-record';
import type { PanelProps } from './panel-props';

const MOST_LAMPS = 40;

/** Which lamps, how many, where, and how they share what limits their current. */
export function LampsPanel({ layout, jobId, solved }: PanelProps) {
  const edit = useLayoutStore((s) => s.edit);
  const job = layout.jobs[jobId];
  const lamps = inOrder(job.lamps);
  const group = inOrder(job.groups)[0];
  const { lengthMillimetres } = job.dimensions;
  const kinds = new Set(lamps.map((l) => l.part));
  const tinted = new Set(lamps.map((l) => l.tint));
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
          tint: lamps[0]?.tint ?? 'none',
          placeMillimetres: 0,
          groupId: group?.id ?? null,
        };
      }
      const places = spreadPlaces(count, lengthMillimetres);
      inOrder(records).forEach((l, i) => (records[l.id].placeMillimetres = places[i]));
    });
  const led = lampType(layout, lamps[0]?.part ?? 'white-warm');
  const facts =
    led.form === 'strip'
      ? `Cut every ${led.unitMillimetres} mm; ${led.inSeries} lamps and ${formatQuantity(led.builtInOhms, 'ohm')} a unit.`
      : `${formatQuantity(led.forwardVolts, 'volt')} at ${formatQuantity(led.testAmps, 'amp')}, ${formatQuantity(led.greatestAmps, 'amp')} at most.`;
  return (
    <div className="choices">
      <h2>Lamps in the roof</h2>
      <div className="count-and-type">
        <CountField
          label={led.form === 'strip' ? 'Units' : 'How many'}
          count={lamps.length}
          least={1}
          most={MOST_LAMPS}
          onCommit={setCount}
        />
        <SelectField
          label="Which"
          value={kinds.size === 1 ? lamps[0].part : undefined}
          placeholder="several"
          options={lampTypes(layout).map((l) => ({ value: l.id, label: l.name }))}
          onChange={(part) =>
            edit('Lamp type', (draft) => {
              for (const l of Object.values(draft.jobs[jobId].lamps)) l.part = part;
            })
          }
        />
      </div>
      <p className="hint">{facts}</p>
      {group && (
        <>
          <Choice<GroupRecord['drive']>
            label="Current limited by"
            columns={2}
            options={[
              {
                value: 'resistor-each',
                name: group.inSeries > 1 ? 'A resistor a string' : 'A resistor each',
              },
              { value: 'resistor-shared', name: 'One for all' },
              { value: 'limiter', name: 'A current limiter' },
              { value: 'none', name: 'Nothing' },
            ]}
            value={group.drive}
            onChoose={(drive) =>
              edit('Current limit', (draft) => void (draft.jobs[jobId].groups[group.id].drive = drive))
            }
          />
          <More
            label="Tint, strings, ready-wired lamps"
            open={group.inSeries > 1 || group.builtIn.kind !== 'nothing' || !tinted.has('none')}
          >
            <SelectField
              label="Between lamp and eye"
              value={tinted.size === 1 ? lamps[0].tint : undefined}
              placeholder="several"
              options={Object.values(tints).map((t) => ({
                value: t.id,
                label: `${t.name}${t.id === 'none' ? '' : ` · ${Math.round(100 * tintedLight(led.colour, t).share)} % of the light`}`,
              }))}
              onChange={(tint) =>
                edit('Tint', (draft) => {
                  for (const l of Object.values(draft.jobs[jobId].lamps)) l.tint = tint;
                })
              }
            />
            <TintPair layout={layout} jobId={jobId} solved={solved} />
            <CountField
              label="Lamps in a row, one after another"
              count={group.inSeries}
              least={1}
              most={12}
              onCommit={(n) =>
                edit('Lamps in a row', (draft) => void (draft.jobs[jobId].groups[group.id].inSeries = n))
              }
            />
            <BuiltInFields jobId={jobId} groupId={group.id} group={group} led={led} />
          </More>
        </>
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

/** The light with its tint and without, side by side; nothing where there is none. */
function TintPair({ solved }: PanelProps) {
  const lamp = solved.steady?.lamps[0];
  const tint = lamp && solved.bench.job.lamps[lamp.lampId].tint;
  if (!lamp || !tint || tint === 'none') return null;
  const { share } = tintedLight(lamp.led.colour, tints[tint]);
  const half = (label: string, colour: string, lux: number) => (
    <span className="tint-half" style={{ background: colour }}>
      {label} {formatQuantity(lux, 'lux')}
    </span>
  );
  return (
    <p className="tint-pair" aria-label="The light left as it is, and tinted">
      {half('bare', screenColour(lamp.led.colour), untintedLux(solved.meanLux, share))}
      {half('tinted', screenColour(lamp.xy), solved.meanLux)}
    </p>
  );
}
