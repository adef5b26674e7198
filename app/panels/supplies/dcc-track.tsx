import { Choice } from '../../fields/choice';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { LimitFields, TrackOhms, type FieldsOf } from './shared';

const volts = { least: 7, most: 22, range: '7 V to 22 V (NMRA S-9.1)' };

const traffic = [
  { value: '1', name: 'Idle', figure: 'all ones' },
  { value: '1111111111111100000000001111111100111111110', name: 'Busy', figure: 'a packet' },
  { value: '10', name: 'Zeros', figure: 'every other' },
] as const;

/** A DCC track: how far it swings, and its booster. */
export const DccTrackFields: FieldsOf<'dcc-track'> = ({ supply, edit }) => (
  <>
    <div className="two-fields">
      <NumberField
        label="Track voltage ±"
        unit="volt"
        figure={supply.amplitudeVolts}
        limits={volts}
        onCommit={(v) =>
          edit('Track voltage', (s) => {
            s.amplitudeVolts = v;
            s.highestVolts = Math.max(s.highestVolts, v);
          })
        }
      />
      <NumberField
        label="Highest booster setting ±"
        unit="volt"
        figure={supply.highestVolts}
        limits={volts}
        onCommit={(v) =>
          edit('Highest track voltage', (s) => {
            s.highestVolts = v;
            s.amplitudeVolts = Math.min(s.amplitudeVolts, v);
          })
        }
      />
    </div>
    <More label="Booster, wires and signal">
      <LimitFields supply={supply} edit={edit} />
      <TrackOhms supply={supply} edit={edit} />
      <Choice
        label="Signal pattern"
        options={traffic}
        value={traffic.find((t) => t.value === supply.bits)?.value ?? null}
        onChoose={(bits) => edit('Track signal', (s) => void (s.bits = bits))}
      />
    </More>
  </>
);
