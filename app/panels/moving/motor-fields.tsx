import { CheckField } from '../../fields/check-field';
import { NumberField } from '../../fields/number-field';
import { useLayoutStore } from '../../store/layout-store';
import { movingIn } from './moving-in';
import type { MotorRecord } from '../../../core/document/moving-record';

/** A geared motor as it commonly comes (typical, from memory). */
const USUAL: MotorRecord = { name: 'Motor', volts: 16, amps: 0.12 };

/** A motor on the same supply: whether there is one, its volts, and what it draws. */
export function MotorFields({
  jobId,
  motor,
}: {
  readonly jobId: string;
  readonly motor: MotorRecord | null;
}) {
  const edit = useLayoutStore((s) => s.edit);
  return (
    <>
      <CheckField
        label="A motor on the same supply"
        checked={motor !== null}
        onChange={(on) =>
          edit('A motor', (draft) => void (movingIn(draft, jobId).motor = on ? { ...USUAL } : null))
        }
      />
      {motor && (
        <div className="two-fields">
          <NumberField
            label="Made for"
            unit="volt"
            figure={motor.volts}
            limits={{ least: 0.5, most: 30, range: '0.5 to 30 V' }}
            onCommit={(volts) =>
              edit('Volts of the motor', (draft) => void (movingIn(draft, jobId).motor!.volts = volts))
            }
          />
          <NumberField
            label="Draws under way"
            unit="amp"
            figure={motor.amps}
            limits={{ least: 0.001, most: 5, range: '1 mA to 5 A' }}
            onCommit={(amps) =>
              edit('Current of the motor', (draft) => void (movingIn(draft, jobId).motor!.amps = amps))
            }
          />
        </div>
      )}
    </>
  );
}
