import { Checkbox } from 'antd';
import { NumberField } from '../../../fields/number-field';
import { useLayoutStore } from '../../../store/layout-store';
import { coachIn } from '../../../../core/kinds/coach/jobs';
import type { CoachRecord as Job } from '../../../../core/kinds/coach/record';
import { inOrder } from '../../../../core/document/in-order';
import { formatQuantity } from '../../../../core/quantity/format';

interface LampListProps {
  readonly job: Job;
  readonly jobId: string;
  readonly circuitId: string | undefined;
  /** The lamps shown, of one group. */
  readonly lampIds: readonly string[];
}

/** Every lamp's place, row by row, and whether it is joined to the line. */
export function LampList({ job, jobId, circuitId, lampIds }: LampListProps) {
  const numbered = inOrder(job.lamps).map((l, i) => ({ ...l, number: i + 1 }));
  const shown = numbered.filter((l) => lampIds.includes(l.id));
  const acrosses = [...new Set(shown.map((l) => l.acrossMillimetres))].sort((a, b) => a - b);
  const byRow = acrosses.length <= 3 ? acrosses : null;
  return (
    <>
      <p className="list-head">From the left end, and joined to the line or not</p>
      {byRow ? (
        byRow.map((across) => (
          <section key={across}>
            {byRow.length > 1 && <p className="row-head">{rowWords(across)}</p>}
            <Places
              job={job}
              jobId={jobId}
              circuitId={circuitId}
              lamps={shown.filter((l) => l.acrossMillimetres === across)}
            />
            <RowFields
              job={job}
              jobId={jobId}
              across={across}
              lamps={shown.filter((l) => l.acrossMillimetres === across)}
            />
          </section>
        ))
      ) : (
        <Places job={job} jobId={jobId} circuitId={circuitId} lamps={shown} />
      )}
    </>
  );
}

function rowWords(across: number): string {
  if (Math.abs(across) < 0.05) return 'On the centre line';
  return `${formatQuantity(Math.abs(across), 'millimetre')} from the centre line, ${across > 0 ? 'far' : 'near'} side`;
}

type NumberedLamp = Job['lamps'][string] & { readonly id: string; readonly number: number };

interface PlacesProps {
  readonly job: Job;
  readonly jobId: string;
  readonly circuitId: string | undefined;
  readonly lamps: readonly NumberedLamp[];
}

function Places({ job, jobId, circuitId, lamps }: PlacesProps) {
  const edit = useLayoutStore((s) => s.edit);
  const { lengthMillimetres } = job.dimensions;
  return (
    <ol className="lamp-list">
      {lamps.map((lamp) => (
        <li key={lamp.id}>
          {lamp.number}
          <NumberField
            label={`Place of lamp ${lamp.number}`}
            unit="millimetre"
            figure={lamp.placeMillimetres}
            limits={{
              least: 0,
              most: lengthMillimetres,
              range: `0 mm to ${formatQuantity(lengthMillimetres, 'millimetre')}`,
            }}
            onCommit={(mm) =>
              edit(
                `Place of lamp ${lamp.number}`,
                (draft) => void (coachIn(draft, jobId).lamps[lamp.id].placeMillimetres = mm),
              )
            }
          />
          <Checkbox
            aria-label={`Lamp ${lamp.number} is joined to the roof line`}
            title={`Lamp ${lamp.number} is joined to the roof line`}
            checked={lamp.circuitId !== null}
            disabled={circuitId === undefined}
            onChange={(e) =>
              edit(`Lead of lamp ${lamp.number}`, (draft) => {
                coachIn(draft, jobId).lamps[lamp.id].circuitId = e.target.checked
                  ? (circuitId ?? null)
                  : null;
              })
            }
          />
        </li>
      ))}
    </ol>
  );
}

interface RowFieldsProps {
  readonly job: Job;
  readonly jobId: string;
  readonly across: number;
  readonly lamps: readonly NumberedLamp[];
}

/** How far across a row lies, and which way its lamps look. */
function RowFields({ job, jobId, across, lamps }: RowFieldsProps) {
  const edit = useLayoutStore((s) => s.edit);
  if (lamps.length === 0 || lamps[0].role !== 'room') return null;
  const half = job.interior.widthMillimetres / 2;
  return (
    <div className="two-fields">
      <NumberField
        label="Across, far side +"
        unit="millimetre"
        figure={across}
        limits={{ least: -half, most: half, range: `±${formatQuantity(half, 'millimetre')}` }}
        onCommit={(mm) =>
          edit('Row moved across', (draft) => {
            for (const l of lamps) coachIn(draft, jobId).lamps[l.id].acrossMillimetres = mm;
          })
        }
      />
      <NumberField
        label="Aimed, far side +"
        unit="degree"
        figure={lamps[0].aimDegrees}
        limits={{ least: -90, most: 90, range: '−90° to 90°' }}
        onCommit={(degrees) =>
          edit('Aim of a row', (draft) => {
            for (const l of lamps) coachIn(draft, jobId).lamps[l.id].aimDegrees = degrees;
          })
        }
      />
    </div>
  );
}
