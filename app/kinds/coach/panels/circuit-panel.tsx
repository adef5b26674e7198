import { CheckField } from '../../../fields/check-field';
import { mainLineId, putStage, stageOf, takeStage } from '../../../../core/document/line-stages';
import type { Part } from '../../../../core/assembly/assembly';
import type { StageKind, StageOf } from '../../../../core/document/wiring-record';
import { NumberField } from '../../../fields/number-field';
import { BandedResistor } from '../../../drawings/banded-resistor';
import { More } from '../../../fields/more';
import { SelectField } from '../../../fields/select-field';
import { useLayoutStore } from '../../../store/layout-store';
import { useChosenGroup } from '../../../store/run-store';
import { canSize, ratedVoltsSold } from '../../../../core/part/electrolytic';
import { resistorBodies } from '../../../../core/part/resistor';
import { formatQuantity } from '../../../../core/quantity/format';
import { WantedLight } from './wanted-light';
import { coachIn } from '../../../../core/kinds/coach/jobs';
import type { CoachProps } from '../coach-props';

type StageFigures<K extends StageKind> = Omit<StageOf<K>, 'kind' | 'order'>;

const ohmLimits = { least: 0.1, most: 1e7, range: '0.1 Ω to 10 MΩ' };

/** How bright, and with what: wanted light, resistor or limiter, reservoir, charge resistor and regulator. */
export function CircuitPanel(props: CoachProps) {
  const { layout, jobId, solved } = props;
  const edit = useLayoutStore((s) => s.edit);
  const job = coachIn(layout, jobId);
  const group = useChosenGroup(job, jobId);
  const roofId = mainLineId(job);
  const roof = roofId === null ? null : job.lines[roofId];
  const charge = roof && stageOf(roof, 'charge');
  const reservoir = roof && stageOf(roof, 'reservoir');
  const regulator = roof && stageOf(roof, 'regulator');
  const beside = charge?.beside ?? false;
  const { parts } = solved.bench.assembly;
  const watts = (of: (p: Part) => boolean): number =>
    Math.max(0, ...parts.filter(of).map((p) => solved.readings?.parts.get(p.id)?.watts ?? 0));
  const groupWatts = watts((p) => p.kind === 'resistor' && p.circuit === group?.id);
  const chargeWatts = watts((p) => p.kind === 'resistor' && p.role === 'charge');
  const regulatorWatts = watts((p) => p.kind === 'regulator');
  const limiter = parts.find((p) => p.kind === 'limiter' && p.circuit === group?.id);
  const heldAmps = limiter && solved.readings?.parts.get(limiter.id)?.amps.mean;
  /** Puts a stage into the roof's line, or takes it out. */
  const put = <K extends StageKind>(label: string, kind: K, figures: StageFigures<K> | null): void =>
    edit(label, (draft) => {
      const line = coachIn(draft, jobId).lines[roofId ?? ''];
      if (figures) putStage(line, kind, figures);
      else takeStage(line, kind);
    });
  return (
    <div className="choices">
      <WantedLight {...props} />
      {group?.limit === 'limiter' && (
        <NumberField
          label="The limiter holds"
          unit="amp"
          figure={group.limiterAmps}
          limits={{ least: 1e-4, most: 1, range: '0.1 mA to 1 A' }}
          aside={heldAmps === undefined ? undefined : `${formatQuantity(heldAmps, 'amp')} flow`}
          onCommit={(amps) =>
            edit('Limiter', (draft) => void (coachIn(draft, jobId).circuits[group.id].limiterAmps = amps))
          }
        />
      )}
      {group && (group.limit === 'each' || group.limit === 'shared') && (
        <>
          <div className="two-fields">
            <NumberField
              label={
                group.limit === 'shared'
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
                edit('Resistor', (draft) => void (coachIn(draft, jobId).circuits[group.id].ohms = ohms))
              }
            />
            <BodyField
              watts={group.ratedWatts}
              onChange={(watts) =>
                edit(
                  'Resistor body',
                  (draft) => void (coachIn(draft, jobId).circuits[group.id].ratedWatts = watts),
                )
              }
            />
          </div>
          <BandedResistor ohms={group.ohms} />
        </>
      )}
      <div className="fit-row">
        <CheckField
          label={
            <>Reservoir{reservoir && <small>{canText(reservoir.farads, reservoir.ratedVolts)}</small>}</>
          }
          checked={reservoir !== null}
          onChange={(on) => put('Reservoir', 'reservoir', on ? { farads: 470e-6, ratedVolts: 25 } : null)}
        />
        <CheckField
          label="Charge resistor"
          checked={charge !== null}
          onChange={(on) =>
            put('Charge resistor', 'charge', on ? { ohms: 100, ratedWatts: 0.25, beside } : null)
          }
        />
      </div>
      {reservoir && (
        <div className="two-fields">
          <NumberField
            label="Reservoir holds"
            unit="farad"
            figure={reservoir.farads}
            limits={{ least: 1e-9, most: 0.5, range: '1 nF to 500 mF' }}
            onCommit={(farads) => put('Reservoir', 'reservoir', { ...reservoir, farads })}
          />
          <SelectField
            label="Rated"
            value={reservoir.ratedVolts}
            options={ratedVoltsSold.map((v) => ({ value: v as number, label: formatQuantity(v, 'volt') }))}
            onChange={(v) => put('Reservoir rating', 'reservoir', { ...reservoir, ratedVolts: v })}
          />
        </div>
      )}
      {charge && (
        <div className="two-fields">
          <NumberField
            label="Charges through"
            unit="ohm"
            figure={charge.ohms}
            limits={{ least: 0.1, most: 1e5, range: '0.1 Ω to 100 kΩ' }}
            aside={formatQuantity(chargeWatts, 'watt', { significant: 2 })}
            onCommit={(ohms) => put('Charge resistor', 'charge', { ...charge, ohms })}
          />
          <BodyField
            watts={charge.ratedWatts}
            onChange={(watts) => put('Charge resistor body', 'charge', { ...charge, ratedWatts: watts })}
          />
        </div>
      )}
      <More label="Discharge diode, regulator board" open={beside || regulator !== null}>
        <CheckField
          label="Diode round the charge resistor"
          checked={beside}
          disabled={!reservoir || !charge}
          onChange={(on) => put('Discharge diode', 'charge', charge && { ...charge, beside: on })}
        />
        <p className="hint">
          The reservoir charges gently and gives freely; lamps do not feed through the resistor.
        </p>
        <CheckField
          label={
            <>
              Regulator board{' '}
              {regulator && (
                <small>{formatQuantity(regulatorWatts, 'watt', { significant: 2 })} of heat</small>
              )}
            </>
          }
          checked={regulator !== null}
          onChange={(on) =>
            put(
              'Regulator board',
              'regulator',
              on ? { outVolts: 5, dropoutVolts: 1.2, quiescentAmps: 0.003 } : null,
            )
          }
        />
        {regulator && (
          <div className="two-fields">
            <NumberField
              label="Gives"
              unit="volt"
              figure={regulator.outVolts}
              limits={{ least: 1, most: 24, range: '1 V to 24 V' }}
              onCommit={(v) => put('Regulator', 'regulator', { ...regulator, outVolts: v })}
            />
            <NumberField
              label="Dropout"
              unit="volt"
              figure={regulator.dropoutVolts}
              limits={{ least: 0, most: 5, range: '0 V to 5 V' }}
              onCommit={(v) => put('Dropout', 'regulator', { ...regulator, dropoutVolts: v })}
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
      label="Its wattage"
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
