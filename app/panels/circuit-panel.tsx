import { NumberField } from '../fields/number-field';
import { BandedResistor } from '../drawings/banded-resistor';
import { More } from '../fields/more';
import { SelectField } from '../fields/select-field';
import { useLayoutStore } from '../store/layout-store';
import { useChosenGroup } from '../store/run-store';
import { canSize, ratedVoltsSold } from '../../core/part/electrolytic';
import { resistorBodies } from '../../core/part/resistor';
import { formatQuantity } from '../../core/quantity/format';
import { WantedLight } from './wanted-light';
import { coachIn } from '../../core/document/jobs';
import type { PanelProps } from './panel-props';

const ohmLimits = { least: 0.1, most: 1e7, range: '0.1 Ω to 10 MΩ' };

/** How bright, and with what: wanted light, resistor or limiter, reservoir, charge resistor and regulator. */
export function CircuitPanel({ layout, jobId, solved }: PanelProps) {
  const edit = useLayoutStore((s) => s.edit);
  const job = coachIn(layout, jobId);
  const group = useChosenGroup(job, jobId);
  const { chargeResistor, reservoir, chargeDiode, regulator } = job.conditioning;
  const groupWatts = Math.max(
    0,
    ...[...(solved.steady?.resistors ?? [])].filter(([id]) => id !== 'charge').map(([, r]) => r.watts),
  );
  const chargeWatts = solved.steady?.resistors.get('charge')?.watts ?? 0;
  const heldAmps = group ? solved.steady?.holders.get(`limiter-${group.id}`)?.amps.mean : undefined;
  const regulatorWatts = solved.steady?.holders.get('regulator')?.watts ?? 0;
  return (
    <div className="choices">
      <WantedLight layout={layout} jobId={jobId} solved={solved} />
      {group?.drive === 'limiter' && (
        <NumberField
          label="The limiter holds"
          unit="amp"
          figure={group.limiterAmps}
          limits={{ least: 1e-4, most: 1, range: '0.1 mA to 1 A' }}
          aside={heldAmps === undefined ? undefined : `${formatQuantity(heldAmps, 'amp')} flow`}
          onCommit={(amps) =>
            edit('Limiter', (draft) => void (coachIn(draft, jobId).groups[group.id].limiterAmps = amps))
          }
        />
      )}
      {group && (group.drive === 'resistor-each' || group.drive === 'resistor-shared') && (
        <>
          <div className="two-fields">
            <NumberField
              label={
                group.drive === 'resistor-shared'
                  ? 'One resistor for all'
                  : group.inSeries > 1
                    ? 'A resistor for each string'
                    : 'A resistor for each lamp'
              }
              unit="ohm"
              figure={group.ohms}
              limits={ohmLimits}
              aside={formatQuantity(groupWatts, 'watt', { significant: 2 })}
              onCommit={(ohms) =>
                edit('Resistor', (draft) => void (coachIn(draft, jobId).groups[group.id].ohms = ohms))
              }
            />
            <BodyField
              watts={group.ratedWatts}
              onChange={(watts) =>
                edit(
                  'Resistor body',
                  (draft) => void (coachIn(draft, jobId).groups[group.id].ratedWatts = watts),
                )
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
                coachIn(draft, jobId).conditioning.reservoir = e.target.checked
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
                coachIn(draft, jobId).conditioning.chargeResistor = e.target.checked
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
              edit(
                'Reservoir',
                (draft) => void (coachIn(draft, jobId).conditioning.reservoir!.farads = farads),
              )
            }
          />
          <SelectField
            label="Rated"
            value={reservoir.ratedVolts}
            options={ratedVoltsSold.map((v) => ({ value: v as number, label: formatQuantity(v, 'volt') }))}
            onChange={(v) =>
              edit(
                'Reservoir rating',
                (draft) => void (coachIn(draft, jobId).conditioning.reservoir!.ratedVolts = v),
              )
            }
          />
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
                (draft) => void (coachIn(draft, jobId).conditioning.chargeResistor!.ohms = ohms),
              )
            }
          />
          <BodyField
            watts={chargeResistor.ratedWatts}
            onChange={(watts) =>
              edit(
                'Charge resistor body',
                (draft) => void (coachIn(draft, jobId).conditioning.chargeResistor!.ratedWatts = watts),
              )
            }
          />
        </div>
      )}
      <More label="Discharge diode, regulator board" open={chargeDiode || regulator !== null}>
        <label className="fit-label">
          <input
            type="checkbox"
            checked={chargeDiode}
            disabled={!reservoir || !chargeResistor}
            onChange={(e) =>
              edit('Discharge diode', (draft) => {
                coachIn(draft, jobId).conditioning.chargeDiode = e.target.checked;
              })
            }
          />
          Diode round the charge resistor
        </label>
        <p className="hint">
          The reservoir charges gently and gives freely; lamps do not feed through the resistor.
        </p>
        <label className="fit-label">
          <input
            type="checkbox"
            checked={regulator !== null}
            onChange={(e) =>
              edit('Regulator board', (draft) => {
                coachIn(draft, jobId).conditioning.regulator = e.target.checked
                  ? { outVolts: 5, dropoutVolts: 1.2, quiescentAmps: 0.003 }
                  : null;
              })
            }
          />
          Regulator board
          {regulator && <small>{formatQuantity(regulatorWatts, 'watt', { significant: 2 })} of heat</small>}
        </label>
        {regulator && (
          <div className="two-fields">
            <NumberField
              label="Gives"
              unit="volt"
              figure={regulator.outVolts}
              limits={{ least: 1, most: 24, range: '1 V to 24 V' }}
              onCommit={(v) =>
                edit(
                  'Regulator',
                  (draft) => void (coachIn(draft, jobId).conditioning.regulator!.outVolts = v),
                )
              }
            />
            <NumberField
              label="Needs over that"
              unit="volt"
              figure={regulator.dropoutVolts}
              limits={{ least: 0, most: 5, range: '0 V to 5 V' }}
              onCommit={(v) =>
                edit(
                  'Dropout',
                  (draft) => void (coachIn(draft, jobId).conditioning.regulator!.dropoutVolts = v),
                )
              }
            />
          </div>
        )}
      </More>
    </div>
  );
}

interface BodyFieldProps {
  readonly watts: number;
  readonly onChange: (watts: number) => void;
}

/** The body of a resistor, by what it may turn into heat, with its size. */
function BodyField({ watts, onChange }: BodyFieldProps) {
  return (
    <SelectField
      label="Its body"
      value={watts}
      options={resistorBodies.map((b) => ({
        value: b.watts as number,
        label: `${b.name}, ${b.lengthMillimetres} mm`,
      }))}
      onChange={onChange}
    />
  );
}

function canText(farads: number, volts: number): string {
  const { diameter, height } = canSize(farads, volts);
  return `${diameter} × ${height} mm`;
}
