import { CheckField } from '../../../fields/check-field';
import { Button, Progress } from 'antd';
import { useState } from 'react';
import { Choice } from '../../../fields/choice';
import { CountField } from '../../../fields/count-field';
import { useLayoutStore } from '../../../store/layout-store';
import { useSearch } from '../../../workers/use-search';
import { hangLamps, rowsOfLamps } from '../../../../core/kinds/coach/hang-lamps';
import { equalPlacing } from '../../../../core/kinds/coach/equal-placing';
import { coachLightOf } from '../coach-light';
import { coachIn } from '../../../../core/kinds/coach/jobs';
import type { CoachRecord as Job } from '../../../../core/kinds/coach/record';
import type { CoachProps } from '../coach-props';

const MOST_IN_A_ROW = 40;

interface LampPlacesProps extends CoachProps {
  readonly circuitId: string;
}

/** One row or two, how many in each, and the search for the best places. */
export function LampPlaces({ layout, jobId, circuitId, solved }: LampPlacesProps) {
  const edit = useLayoutStore((s) => s.edit);
  const job = coachIn(layout, jobId);
  const rows = rowsOfLamps(job, circuitId);
  const perRow = rows.map((r) => r.length);
  const [onPartitions, setOnPartitions] = useState(false);
  const search = useSearch('coach/placeLamps', layout, (l) => l.jobs[jobId]);
  const hang = (counts: readonly number[], label: string): void =>
    edit(label, (draft) => hangLamps(coachIn(draft, jobId), circuitId, equalPlacing(job, counts)));
  const names = rowNames(job, rows.length);
  const now = coachLightOf(solved)?.evenness ?? 0;
  const found = search.answer;
  return (
    <>
      <Choice<string>
        label="Rows under the roof"
        columns={2}
        options={[
          { value: '1', name: 'One row', figure: 'on the centre line' },
          {
            value: '2',
            name: 'Two rows',
            figure: job.interior.corridor ? 'rooms and corridor' : 'over the quarters',
          },
        ]}
        value={rows.length === 1 || rows.length === 2 ? String(rows.length) : null}
        onChoose={(to) => {
          const count = Math.max(1, ...perRow);
          hang(to === '1' ? [count] : [count, count], to === '1' ? 'One row' : 'Two rows');
        }}
      />
      <div className="two-fields">
        {rows.slice(0, 2).map((row, i) => (
          <CountField
            key={i}
            label={names[i]}
            count={row.length}
            least={1}
            most={MOST_IN_A_ROW}
            onCommit={(n) =>
              hang(
                rows.slice(0, 2).map((r, j) => (j === i ? n : r.length)),
                'Number of lamps',
              )
            }
          />
        ))}
      </div>
      <div className="place-search" data-testid="place-search">
        {search.share !== null ? (
          <>
            <Progress percent={Math.round(100 * search.share)} size="small" strokeColor="#3e5b4f" />
            <Button onClick={search.cancel}>Stop</Button>
          </>
        ) : found ? (
          found.evenness > now + 0.005 ? (
            <>
              <p>
                Least over mean <b>{percent(now)}</b> → <b>{percent(found.evenness)}</b>
              </p>
              <Button
                type="primary"
                onClick={() =>
                  edit('Lamps at the best places', (draft) =>
                    hangLamps(coachIn(draft, jobId), circuitId, found.places),
                  )
                }
              >
                Hang them so
              </Button>
            </>
          ) : (
            <p>
              They hang as well as they can: least over mean <b>{percent(now)}</b>.
            </p>
          )
        ) : (
          <>
            <p>
              Least over mean now <b>{percent(now)}</b>
            </p>
            <Button
              disabled={perRow.length === 0}
              onClick={() =>
                search.start((now) => {
                  const counts = rowsOfLamps(coachIn(now, jobId), circuitId).map((r) => r.length);
                  return {
                    jobId,
                    circuitId,
                    perRow: counts.length > 2 ? [sum(counts)] : counts,
                    onPartitions,
                  };
                })
              }
            >
              Place them for me
            </Button>
          </>
        )}
      </div>
      {search.share === null && !found && (
        <CheckField
          label="They may stand on partitions"
          checked={onPartitions}
          onChange={(on) => setOnPartitions(on)}
        />
      )}
      {search.failure && <p className="field-refusal">{search.failure}</p>}
    </>
  );
}

const percent = (share: number): string => `${Math.round(100 * share)} %`;
const sum = (counts: readonly number[]): number => counts.reduce((a, b) => a + b, 0);

/** What the rows are called, from the near side. */
function rowNames(job: Job, rows: number): string[] {
  if (rows < 2) return ['How many'];
  if (!job.interior.corridor) return ['Near row', 'Far row'];
  return job.interior.corridor.side === 'near'
    ? ['Over the corridor', 'Over the rooms']
    : ['Over the rooms', 'Over the corridor'];
}
