import { Choice } from '../../fields/choice';
import { CountField } from '../../fields/count-field';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { SliderField } from '../../fields/slider-field';
import type { SupplyRecordOf } from '../../../core/document/supply-record';
import { LimitFields, TrackOhms, type FieldsOf } from './shared';

/** A DC track: full throttle, and how the controller makes it. */
export const DcTrackFields: FieldsOf<'dc-track'> = ({ supply, edit }) => (
  <>
    <NumberField
      label={
        supply.making === 'full-wave' || supply.making === 'half-wave'
          ? 'At full throttle, RMS'
          : 'At full throttle'
      }
      unit="volt"
      figure={supply.greatestVolts}
      limits={{ least: 1, most: 30, range: '1 V to 30 V' }}
      onCommit={(v) => edit('Full throttle', (s) => void (s.greatestVolts = v))}
    />
    <SliderField
      label="Lights made for"
      figure={100 * supply.usualThrottle}
      least={10}
      most={100}
      step={5}
      says={`${Math.round(100 * supply.usualThrottle)} % throttle`}
      onChange={(v) => edit('Usual throttle', (s) => void (s.usualThrottle = v / 100), 'usual-throttle')}
    />
    <Choice<SupplyRecordOf<'dc-track'>['making']>
      label="The controller makes it"
      columns={2}
      options={[
        { value: 'smooth', name: 'Smooth' },
        { value: 'pulse-width', name: 'In pulses', figure: `${supply.pulseHertz} Hz` },
        { value: 'full-wave', name: 'Full-wave', figure: 'unsmoothed' },
        { value: 'half-wave', name: 'Half-wave', figure: 'unsmoothed' },
      ]}
      value={supply.making}
      onChoose={(making) => edit('Kind of controller', (s) => void (s.making = making))}
    />
    <More label="Controller and wires">
      {supply.making === 'pulse-width' && (
        <CountField
          label="Pulses a second"
          count={supply.pulseHertz}
          least={30}
          most={9999}
          onCommit={(hz) => edit('Pulse frequency', (s) => void (s.pulseHertz = hz))}
        />
      )}
      <LimitFields supply={supply} edit={edit} />
      <TrackOhms supply={supply} edit={edit} />
    </More>
  </>
);
