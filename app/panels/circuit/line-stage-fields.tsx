import { anyJobIn } from '../../../core/document/jobs';
import { putStage, stageOf, takeStage } from '../../../core/document/line-stages';
import { canSize, ratedVoltsSold } from '../../../core/part/electrolytic';
import { formatQuantity } from '../../../core/quantity/format';
import { heatWords } from '../../../core/quantity/heat-words';
import { CheckField } from '../../fields/check-field';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { SelectField } from '../../fields/select-field';
import { useLayoutStore } from '../../store/layout-store';
import { WattageField } from './wattage-field';
import type { Part } from '../../../core/assembly/assembly';
import type { StageKind, StageOf } from '../../../core/document/wiring-record';
import type { PanelProps } from '../../kinds/face';

type StageFigures<K extends StageKind> = Omit<StageOf<K>, 'kind' | 'order'>;

interface LineStageFieldsProps extends PanelProps {
  readonly lineId: string;
}

/** What a line holds and steadies its volts with: reservoir, charge resistor, discharge diode, regulator. */
export function LineStageFields({ jobId, job, solved, lineId }: LineStageFieldsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const line = job.lines[lineId];
  const charge = stageOf(line, 'charge');
  const reservoir = stageOf(line, 'reservoir');
  const regulator = stageOf(line, 'regulator');
  const beside = charge?.beside ?? false;
  const heat = (of: (p: Part) => boolean): number =>
    Math.max(
      0,
      ...solved.bench.assembly.parts
        .filter((p) => p.line === lineId && of(p))
        .map((p) => solved.readings?.parts.get(p.id)?.watts ?? 0),
    );
  const chargeWatts = heat((p) => p.kind === 'resistor' && p.role === 'charge');
  const regulatorWatts = heat((p) => p.kind === 'regulator');
  /** Puts a stage into the line, or takes it out. */
  const put = <K extends StageKind>(label: string, kind: K, figures: StageFigures<K> | null): void =>
    edit(label, (draft) => {
      const own = anyJobIn(draft, jobId).lines[lineId];
      if (figures) putStage(own, kind, figures);
      else takeStage(own, kind);
    });
  return (
    <>
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
            limits={{ least: 1e-9, most: 0.5, range: '1 nF to 0.5 F' }}
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
            aside={heatWords(chargeWatts)}
            onCommit={(ohms) => put('Charge resistor', 'charge', { ...charge, ohms })}
          />
          <WattageField
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
          label={<>Regulator board {regulator && <small>{heatWords(regulatorWatts)}</small>}</>}
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
    </>
  );
}

function canText(farads: number, volts: number): string {
  const { diameter, height } = canSize(farads, volts);
  return `${diameter} × ${height} mm`;
}
