import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { LimitFields, ohmLimits, type FieldsOf } from './shared';

/** A lighting bus: volts with load and without. */
export const LayoutBusFields: FieldsOf<'layout-bus'> = ({ supply, edit }) => (
  <>
    <div className="two-fields">
      <NumberField
        label="Volts"
        unit="volt"
        figure={supply.volts}
        limits={{ least: 1, most: 30, range: '1 V to 30 V' }}
        onCommit={(v) =>
          edit('Bus voltage', (s) => {
            s.volts = v;
            s.highestVolts = Math.max(s.highestVolts, v);
          })
        }
      />
      <NumberField
        label="Without load"
        unit="volt"
        figure={supply.highestVolts}
        limits={{ least: supply.volts, most: 40, range: `${supply.volts} V to 40 V` }}
        onCommit={(v) => edit('Bus voltage without load', (s) => void (s.highestVolts = v))}
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
