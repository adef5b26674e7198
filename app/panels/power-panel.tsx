import { Choice } from '../fields/choice';
import { NumberField } from '../fields/number-field';
import { useLayoutStore } from '../store/layout-store';
import { formatQuantity } from '../../core/quantity/format';
import type { ConditioningRecord } from '../../core/document/coach-record';
import type { SupplyRecord } from '../../core/document/supply-record';
import type { PanelProps } from './panel-props';

type SupplyFigure =
  'amplitudeVolts' | 'highestVolts' | 'limitAmps' | 'tripSeconds' | 'trackOhms' | 'zeroHalfMicroseconds';

const traffic = [
  { value: '1', name: 'Idle', figure: 'all ones' },
  { value: '1111111111111100000000001111111100111111110', name: 'Busy', figure: 'a packet' },
  { value: '10', name: 'Zeros', figure: 'every other' },
] as const;

/** What feeds the coach: the track, and what turns it into one direction. */
export function PowerPanel({ layout, jobId, solved }: PanelProps) {
  const edit = useLayoutStore((s) => s.edit);
  const job = layout.jobs[jobId];
  const supply: SupplyRecord = layout.supplies[job.supplyId];
  const set = (key: SupplyFigure, label: string) => (figure: number) =>
    edit(label, (draft) => {
      const s = draft.supplies[job.supplyId];
      s[key] = figure;
      if (key === 'amplitudeVolts') s.highestVolts = Math.max(s.highestVolts, figure);
      if (key === 'highestVolts') s.amplitudeVolts = Math.min(s.amplitudeVolts, figure);
    });
  const volts = { least: 7, most: 22, range: '7 V to 22 V (NMRA S-9.1)' };
  const drop = solved.steady?.bridgeVolts?.mean;
  return (
    <div className="choices">
      <h2>{supply.name}: DCC track</h2>
      <div className="two-fields">
        <NumberField
          label="Track swings ±"
          unit="volt"
          figure={supply.amplitudeVolts}
          limits={volts}
          onCommit={set('amplitudeVolts', 'Track voltage')}
        />
        <NumberField
          label="At most ±"
          unit="volt"
          figure={supply.highestVolts}
          limits={volts}
          onCommit={set('highestVolts', 'Highest track voltage')}
        />
        <NumberField
          label="Booster limit"
          unit="amp"
          figure={supply.limitAmps}
          limits={{ least: 0.1, most: 20, range: '0.1 A to 20 A' }}
          onCommit={set('limitAmps', 'Booster limit')}
        />
        <NumberField
          label="Bears more for"
          unit="second"
          figure={supply.tripSeconds}
          limits={{ least: 0.0001, most: 5, range: '0.1 ms to 5 s' }}
          onCommit={set('tripSeconds', 'Trip time')}
        />
      </div>
      <NumberField
        label="Wires, rails and wheels, both ways"
        unit="ohm"
        figure={supply.trackOhms}
        limits={{ least: 0.01, most: 100, range: '10 mΩ to 100 Ω' }}
        onCommit={set('trackOhms', 'Track resistance')}
      />
      <Choice
        label="What is said on the track"
        options={traffic}
        value={traffic.find((t) => t.value === supply.bits)?.value ?? null}
        onChoose={(bits) => edit('Track signal', (draft) => void (draft.supplies[job.supplyId].bits = bits))}
      />
      <Choice<ConditioningRecord['rectifier']>
        label="Made into one direction by"
        options={[
          {
            value: 'silicon-bridge',
            name: 'Silicon bridge',
            figure:
              job.conditioning.rectifier === 'silicon-bridge' && drop !== undefined
                ? `−${formatQuantity(drop, 'volt', { significant: 2 })}`
                : undefined,
          },
          {
            value: 'schottky-bridge',
            name: 'Schottky bridge',
            figure:
              job.conditioning.rectifier === 'schottky-bridge' && drop !== undefined
                ? `−${formatQuantity(drop, 'volt', { significant: 2 })}`
                : undefined,
          },
          { value: 'none', name: 'Nothing' },
        ]}
        value={job.conditioning.rectifier}
        onChoose={(rectifier) =>
          edit('Rectifier', (draft) => void (draft.jobs[jobId].conditioning.rectifier = rectifier))
        }
      />
      <p className="hint">
        One kind of supply on a track at a time. Never work on the mains side of a supply.
      </p>
    </div>
  );
}
