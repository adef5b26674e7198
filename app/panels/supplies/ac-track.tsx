import { pulsePeak, pulseRms } from '../../../core/supply/ac-track';
import { formatQuantity } from '../../../core/quantity/format';
import { Choice } from '../../fields/choice';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { LimitFields, TrackOhms, type FieldsOf } from './shared';

/** An AC track: RMS volts, frequency, reversing pulse. */
export const AcTrackFields: FieldsOf<'ac-track'> = ({ supply, edit }) => (
  <>
    <div className="two-fields">
      <NumberField
        label="RMS volts"
        unit="volt"
        figure={supply.rmsVolts}
        limits={{ least: 1, most: 25, range: '1 V to 25 V' }}
        onCommit={(v) =>
          edit('Track voltage', (s) => {
            s.rmsVolts = v;
            s.highestRmsVolts = Math.max(s.highestRmsVolts, v);
          })
        }
      />
      <NumberField
        label="With little load"
        unit="volt"
        figure={supply.highestRmsVolts}
        limits={{ least: supply.rmsVolts, most: 30, range: `${supply.rmsVolts} V to 30 V` }}
        onCommit={(v) => edit('Voltage with little load', (s) => void (s.highestRmsVolts = v))}
      />
    </div>
    <Choice<'50' | '60'>
      label="Mains frequency"
      columns={2}
      options={[
        { value: '50', name: '50 Hz' },
        { value: '60', name: '60 Hz' },
      ]}
      value={supply.hertz === 50 ? '50' : '60'}
      onChoose={(hz) => edit('Mains frequency', (s) => void (s.hertz = hz === '50' ? 50 : 60))}
    />
    <More label="Reversing pulse, transformer, wires" open={supply.reversingPulseVolts > 0}>
      <NumberField
        label="Reversing pulse, RMS, 0 V for none"
        unit="volt"
        figure={pulseRms(supply.reversingPulseVolts)}
        significant={3}
        aside={`${formatQuantity(supply.reversingPulseVolts, 'volt', { significant: 3 })} peak`}
        limits={{ least: 0, most: 42, range: '0 V to 42 V RMS' }}
        onCommit={(v) => edit('Reversing pulse', (s) => void (s.reversingPulseVolts = pulsePeak(v)))}
      />
      <LimitFields supply={supply} edit={edit} />
      <TrackOhms supply={supply} edit={edit} />
    </More>
  </>
);
