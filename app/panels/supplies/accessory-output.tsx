import { CheckField } from '../../fields/check-field';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { ohmLimits, type FieldsOf } from './shared';

/** One address of an accessory board: its volts, what it gives, and whether it can light both senses. */
export const AccessoryOutputFields: FieldsOf<'accessory-output'> = ({ supply, edit }) => (
  <>
    <div className="two-fields">
      <NumberField
        label="Volts"
        unit="volt"
        figure={supply.volts}
        limits={{ least: 1, most: 30, range: '1 V to 30 V' }}
        onCommit={(v) =>
          edit('Output voltage', (s) => {
            s.volts = v;
            s.highestVolts = Math.max(s.highestVolts, v);
          })
        }
      />
      <NumberField
        label="At its highest"
        unit="volt"
        figure={supply.highestVolts}
        limits={{ least: supply.volts, most: 40, range: `${supply.volts} V to 40 V` }}
        onCommit={(v) => edit('Highest output voltage', (s) => void (s.highestVolts = v))}
      />
      <NumberField
        label="An address gives"
        unit="amp"
        figure={supply.limitAmps}
        limits={{ least: 0.005, most: 5, range: '5 mA to 5 A' }}
        onCommit={(v) => edit('Limit of an address', (s) => void (s.limitAmps = v))}
      />
    </div>
    <CheckField
      label="Drives both senses at once"
      checked={supply.bothSenses}
      onChange={(on) => edit('Both senses', (s) => void (s.bothSenses = on))}
    />
    <More label="Wires">
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
