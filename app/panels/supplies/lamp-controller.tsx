import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { LimitFields, ohmLimits, type FieldsOf } from './shared';

/** A controller kept for lamps: between which volts its knob may stand, and where it usually does. */
export const LampControllerFields: FieldsOf<'lamp-controller'> = ({ supply, edit }) => (
  <>
    <div className="two-fields">
      <NumberField
        label="At the least"
        unit="volt"
        figure={supply.leastVolts}
        limits={{ least: 0, most: supply.mostVolts, range: `0 V to ${supply.mostVolts} V` }}
        onCommit={(v) =>
          edit('Least volts', (s) => {
            s.leastVolts = v;
            s.usualVolts = Math.max(s.usualVolts, v);
          })
        }
      />
      <NumberField
        label="At the most"
        unit="volt"
        figure={supply.mostVolts}
        limits={{ least: 1, most: 30, range: '1 V to 30 V' }}
        onCommit={(v) =>
          edit('Most volts', (s) => {
            s.mostVolts = v;
            s.usualVolts = Math.min(s.usualVolts, v);
            s.leastVolts = Math.min(s.leastVolts, v);
          })
        }
      />
      <NumberField
        label="Usually"
        unit="volt"
        figure={supply.usualVolts}
        limits={{
          least: supply.leastVolts,
          most: supply.mostVolts,
          range: `${supply.leastVolts} V to ${supply.mostVolts} V`,
        }}
        onCommit={(v) => edit('Usual volts', (s) => void (s.usualVolts = v))}
      />
    </div>
    <More label="Supply and wires">
      <LimitFields supply={supply} edit={edit} />
      <NumberField
        label="Wires, both ways"
        unit="ohm"
        figure={supply.wireOhms}
        limits={ohmLimits}
        onCommit={(v) => edit('Wire resistance', (s) => void (s.wireOhms = v))}
      />
    </More>
  </>
);
