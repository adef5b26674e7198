import { lampName } from '../../../core/kinds/locomotive/lamp-name';
import { SHOWN } from '../../../core/light/lamp-light';
import { NumberField } from '../../fields/number-field';
import { UnmarkedLamp } from './unmarked-lamp';
import { useLayoutStore } from '../../store/layout-store';
import type { VehiclePanelProps } from './vehicle-panel';
import type { ThrottleSweep } from '../../../core/study/throttle-sweep';

interface VehicleTryProps extends VehiclePanelProps {
  readonly sweep: ThrottleSweep | null;
}

const percent = (share: number | null): string => (share === null ? '–' : `${Math.round(share * 100)} %`);

/** From which throttle each lamp shows; the person's tester, and an unmarked lamp's polarity by it. */
export function VehicleTry({ job, sweep, solved }: VehicleTryProps) {
  const edit = useLayoutStore((s) => s.edit);
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
          figure={solved.vehicle.layout.drawer.tester.volts}
          limits={{ least: 1, most: 24, range: '1 to 24 V' }}
          onCommit={(v) => edit('Tester', (draft) => void (draft.drawer.tester.volts = v))}
        />
        <NumberField
          label="Its resistor"
          unit="ohm"
          figure={solved.vehicle.layout.drawer.tester.ohms}
          limits={{ least: 1, most: 1e5, range: '1 Ω to 100 kΩ' }}
          onCommit={(ohms) => edit('Tester', (draft) => void (draft.drawer.tester.ohms = ohms))}
        />
      </div>
      <UnmarkedLamp tester={solved.vehicle.layout.drawer.tester} />
    </div>
  );
}
