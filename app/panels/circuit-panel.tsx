import { Button, Select } from 'antd';
import { Choice } from '../fields/choice';
import { NumberField } from '../fields/number-field';
import { BandedResistor } from '../drawings/banded-resistor';
import { useLayoutStore } from '../store/layout-store';
import { useTask } from '../workers/use-task';
import { inOrder } from '../../core/document/layout';
import { nearestWord, wantedWords } from '../../core/light/wanted';
import { canSize, ratedVoltsSold } from '../../core/part/electrolytic';
import { resistorBodies } from '../../core/part/resistor';
import { formatQuantity } from '../../core/quantity/format';
import type { PanelProps } from './panel-props';

type WordId = (typeof wantedWords)[number]['id'];
const ohmLimits = { least: 0.1, most: 1e7, range: '0.1 Ω to 10 MΩ' };

/** How bright, and with what: wanted light, resistor, reservoir and charge resistor. */
export function CircuitPanel({ layout, jobId, solved }: PanelProps) {
  const edit = useLayoutStore((s) => s.edit);
  const job = layout.jobs[jobId];
  const group = inOrder(job.groups)[0];
  const { chargeResistor, reservoir } = job.conditioning;
  const proposal = useTask(group ? (tasks) => tasks.propose(layout, jobId, group.id) : null, [
    layout,
    jobId,
    group?.id,
  ]);
  const word = wantedWords.find((w) => w.lux === job.wantedLux);
  const groupWatts = Math.max(
    0,
    ...[...(solved.steady?.resistors ?? [])].filter(([id]) => id !== 'charge').map(([, r]) => r.watts),
  );
  const chargeWatts = solved.steady?.resistors.get('charge')?.watts ?? 0;
  const offered = proposal.answer;
  return (
    <div className="choices">
      <h2>Wanted light at the seats</h2>
      <Choice<WordId>
        label="Wanted light at the seats"
        quiet
        options={wantedWords.map((w) => ({
          value: w.id,
          name: w.name,
          figure: formatQuantity(w.lux, 'lux'),
        }))}
        value={word?.id ?? null}
        onChoose={(id) =>
          edit(
            'Wanted light',
            (draft) => void (draft.jobs[jobId].wantedLux = wantedWords.find((w) => w.id === id)!.lux),
          )
        }
      />
      <div
        className={proposal.stale ? 'proposal stale' : 'proposal'}
        aria-busy={proposal.stale}
        data-testid="proposal"
      >
        <p>
          Now {formatQuantity(solved.meanLux, 'lux')}:{' '}
          {solved.meanLux > 0 ? nearestWord(solved.meanLux).name.toLowerCase() : 'dark'}.{' '}
          {offered && group && offered.ohms === group.ohms && group.drive !== 'none' ? (
            'That is as near to the wanted light as E12 values come.'
          ) : offered ? (
            <>
              <b>{formatQuantity(offered.ohms, 'ohm')}</b> gives {formatQuantity(offered.lux, 'lux')}
              {offered.limitedBy === 'lamp' && ', the most these lamps bear for long'}
              {offered.limitedBy === 'supply' && ', the most this supply can do'}.
            </>
          ) : (
            'Finding the resistor…'
          )}
        </p>
        {offered && group && (offered.ohms !== group.ohms || group.drive === 'none') && (
          <Button
            type="primary"
            disabled={proposal.stale}
            onClick={() =>
              edit('Resistor for the wanted light', (draft) => {
                const g = draft.jobs[jobId].groups[group.id];
                if (g.drive === 'none') g.drive = 'resistor-each';
                g.ohms = offered.ohms;
                g.ratedWatts = Math.max(g.ratedWatts, offered.ratedWatts);
              })
            }
          >
            Fit {formatQuantity(offered.ohms, 'ohm')}
          </Button>
        )}
      </div>
      {group && group.drive !== 'none' && (
        <>
          <div className="two-fields">
            <NumberField
              label={group.drive === 'resistor-each' ? 'A resistor for each lamp' : 'One resistor for all'}
              unit="ohm"
              figure={group.ohms}
              limits={ohmLimits}
              aside={formatQuantity(groupWatts, 'watt', { significant: 2 })}
              onCommit={(ohms) =>
                edit('Resistor', (draft) => void (draft.jobs[jobId].groups[group.id].ohms = ohms))
              }
            />
            <BodyField
              id="group-body"
              watts={group.ratedWatts}
              onChange={(watts) =>
                edit('Resistor body', (draft) => void (draft.jobs[jobId].groups[group.id].ratedWatts = watts))
              }
            />
          </div>
          <BandedResistor ohms={group.ohms} />
        </>
      )}
      <div className="fit-row">
        <label className="fit-label">
          <input
            type="checkbox"
            checked={reservoir !== null}
            onChange={(e) =>
              edit('Reservoir', (draft) => {
                draft.jobs[jobId].conditioning.reservoir = e.target.checked
                  ? { farads: 470e-6, ratedVolts: 25 }
                  : null;
              })
            }
          />
          Reservoir{reservoir && <small>{canText(reservoir.farads, reservoir.ratedVolts)}</small>}
        </label>
        <label className="fit-label">
          <input
            type="checkbox"
            checked={chargeResistor !== null}
            onChange={(e) =>
              edit('Charge resistor', (draft) => {
                draft.jobs[jobId].conditioning.chargeResistor = e.target.checked
                  ? { ohms: 100, ratedWatts: 0.25 }
                  : null;
              })
            }
          />
          Charge resistor
        </label>
      </div>
      {reservoir && (
        <div className="two-fields">
          <NumberField
            label="Reservoir holds"
            unit="farad"
            figure={reservoir.farads}
            limits={{ least: 1e-9, most: 0.5, range: '1 nF to 500 mF' }}
            onCommit={(farads) =>
              edit('Reservoir', (draft) => void (draft.jobs[jobId].conditioning.reservoir!.farads = farads))
            }
          />
          <div className="field">
            <label htmlFor="reservoir-rating">Rated</label>
            <Select
              id="reservoir-rating"
              className="select"
              value={reservoir.ratedVolts}
              options={ratedVoltsSold.map((v) => ({ value: v, label: formatQuantity(v, 'volt') }))}
              onChange={(v: number) =>
                edit(
                  'Reservoir rating',
                  (draft) => void (draft.jobs[jobId].conditioning.reservoir!.ratedVolts = v),
                )
              }
            />
          </div>
        </div>
      )}
      {chargeResistor && (
        <div className="two-fields">
          <NumberField
            label="Charges through"
            unit="ohm"
            figure={chargeResistor.ohms}
            limits={{ least: 0.1, most: 1e5, range: '0.1 Ω to 100 kΩ' }}
            aside={formatQuantity(chargeWatts, 'watt', { significant: 2 })}
            onCommit={(ohms) =>
              edit(
                'Charge resistor',
                (draft) => void (draft.jobs[jobId].conditioning.chargeResistor!.ohms = ohms),
              )
            }
          />
          <BodyField
            id="charge-body"
            watts={chargeResistor.ratedWatts}
            onChange={(watts) =>
              edit(
                'Charge resistor body',
                (draft) => void (draft.jobs[jobId].conditioning.chargeResistor!.ratedWatts = watts),
              )
            }
          />
        </div>
      )}
    </div>
  );
}

interface BodyFieldProps {
  readonly id: string;
  readonly watts: number;
  readonly onChange: (watts: number) => void;
}

/** The body of a resistor, by what it may turn into heat, with its size. */
function BodyField({ id, watts, onChange }: BodyFieldProps) {
  return (
    <div className="field">
      <label htmlFor={id}>Its body</label>
      <Select
        id={id}
        className="select"
        value={watts}
        popupMatchSelectWidth={false}
        options={resistorBodies.map((b) => ({
          value: b.watts,
          label: `${b.name}, ${b.lengthMillimetres} mm`,
        }))}
        onChange={onChange}
      />
    </div>
  );
}

function canText(farads: number, volts: number): string {
  const { diameter, height } = canSize(farads, volts);
  return `${diameter} × ${height} mm`;
}
