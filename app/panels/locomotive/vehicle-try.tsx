import { lampName } from '../../../core/document/lamp-name';
import { SHOWN } from '../../../core/light/lamp-light';
import { NumberField } from '../../fields/number-field';
import { UnmarkedLamp } from './unmarked-lamp';
import { useVehicleEdit, type VehiclePanelProps } from './vehicle-panel';
import type { ThrottleSweep } from '../../../core/study/locomotive/throttle-sweep';

interface VehicleTryProps extends VehiclePanelProps {
  readonly sweep: ThrottleSweep | null;
}

const percent = (share: number | null): string => (share === null ? '–' : `${Math.round(share * 100)} %`);

/** From which throttle each lamp shows; the person's tester, and an unmarked lamp's polarity by it. */
export function VehicleTry({ jobId, job, sweep, solved }: VehicleTryProps) {
  const set = useVehicleEdit(jobId);
  const onDc = solved.vehicle.supply.kind === 'dc-track';
  return (
    <div className="choices">
      <h2>{onDc ? 'From which throttle' : 'Try it'}</h2>
      {sweep ? (
        <>
          <table className="charging">
            <thead>
              <tr>
                <th>Lamp</th>
                <th>shows</th>
                <th>good</th>
                <th>bright</th>
              </tr>
            </thead>
            <tbody>
              {sweep.lamps.map((l) => (
                <tr key={l.part}>
                  <th>
                    {lampName(job, l.lampId)}
                    {l.second ? ', other colour' : ''}
                  </th>
                  <td>{percent(l.showsAt)}</td>
                  <td>{percent(l.goodAt)}</td>
                  <td>{percent(l.brightAt)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="hint">
            Against its own light at full throttle, to the eye: it shows from {SHOWN.shows} of 100 (a tenth of
            the light), is good from {SHOWN.good} (a third), bright from {SHOWN.bright}. A dash: it never
            shines the way it should.
          </p>
        </>
      ) : onDc ? (
        <p className="stale-note">Being worked out…</p>
      ) : (
        <p className="hint">
          On {solved.vehicle.supply.kind === 'dcc-track' ? 'DCC' : 'this track'} the lamps do not follow the
          throttle. Press functions, direction and switches on the stage; every state is in the truth table.
        </p>
      )}
      <h3 className="part-head">Your tester</h3>
      <div className="two-fields">
        <NumberField
          label="Battery"
          unit="volt"
          figure={job.tester.volts}
          limits={{ least: 1, most: 24, range: '1 to 24 V' }}
          onCommit={(v) => set('Tester', (j) => void (j.tester.volts = v))}
        />
        <NumberField
          label="Its resistor"
          unit="ohm"
          figure={job.tester.ohms}
          limits={{ least: 100, most: 1e5, range: '100 Ω to 100 kΩ' }}
          onCommit={(ohms) => set('Tester', (j) => void (j.tester.ohms = ohms))}
        />
      </div>
      <UnmarkedLamp tester={job.tester} />
    </div>
  );
}
