import { CheckField } from '../../../fields/check-field';
import { Choice } from '../../../fields/choice';
import { CountField } from '../../../fields/count-field';
import { More } from '../../../fields/more';
import { NumberField } from '../../../fields/number-field';
import { SelectField } from '../../../fields/select-field';
import { TextField } from '../../../fields/text-field';
import { HoldFields } from '../../../panels/hold-fields';
import { shiftedWindows, standardWindows } from '../../../../core/part/decoder-type';
import { MOST_OWN_OUTPUTS, type OwnDecoderRecord } from '../../../../core/document/decoder-record';
import { plugs } from '../../../../core/part/plug';
import { readWindows } from '../../../../core/supply/drivers/function-map';

type Output = OwnDecoderRecord['outputs'][number];
type Mapping = 'standard' | 'shifted' | 'typed' | 'free';

const same = (a: readonly number[], b: readonly number[]): boolean => a.join() === b.join();
const mappingOf = ({ windows }: OwnDecoderRecord): Mapping =>
  windows === null
    ? 'free'
    : same(windows, standardWindows)
      ? 'standard'
      : same(windows, shiftedWindows)
        ? 'shifted'
        : 'typed';
/** Windows of a mapping to begin from, within so many outputs. */
const windowsOf: Readonly<Record<Mapping, readonly number[] | null>> = {
  standard: standardWindows,
  shifted: shiftedWindows,
  // Every CV begins at output 1: windows as they are most easily told from.
  typed: standardWindows.map(() => 1),
  free: null,
};
interface OwnDecoderProps {
  readonly own: OwnDecoderRecord;
  readonly onChange: (label: string, own: OwnDecoderRecord) => void;
}

/** The figures of a decoder or board that is in no list, as its leaflet has them. */
export function OwnDecoder({ own, onChange }: OwnDecoderProps) {
  const put = (label: string, figures: Partial<OwnDecoderRecord>): void =>
    onChange(label, { ...own, ...figures });
  const mapping = mappingOf(own);
  const last = own.outputs[own.outputs.length - 1];
  return (
    <section aria-label="Its figures, from its leaflet">
      <h3 className="part-head">Its figures, from its leaflet</h3>
      <TextField
        label="What it is called"
        text={own.name}
        most={60}
        required
        onCommit={(name) => put('Name of the decoder', { name })}
      />
      <div className="two-fields">
        <CountField
          label="Outputs"
          count={own.outputs.length}
          least={1}
          most={MOST_OWN_OUTPUTS}
          onCommit={(n) =>
            put('Outputs', {
              outputs: Array.from(
                { length: n },
                (_, i) => own.outputs[i] ?? { ...last, name: `Output ${i + 1}` },
              ),
            })
          }
        />
        <NumberField
          label="All together, at most"
          unit="amp"
          figure={own.totalAmps}
          limits={{ least: 0.001, most: 20 }}
          onCommit={(totalAmps) => put('Limit in all', { totalAmps })}
        />
      </div>
      <Choice<'minus' | 'plus'>
        label="Its outputs switch"
        columns={2}
        options={[
          { value: 'minus', name: 'Minus', figure: 'lamps share a plus' },
          { value: 'plus', name: 'Plus', figure: 'lamps share a minus' },
        ]}
        value={own.switches}
        onChoose={(switches) => put('Side it switches', { switches })}
      />
      <More label="Each output">
        {own.outputs.map((output, i) => (
          <OwnOutput
            key={i}
            number={i + 1}
            output={output}
            onChange={(label, next) =>
              put(label, { outputs: own.outputs.map((o, k) => (k === i ? { ...o, ...next } : o)) })
            }
          />
        ))}
      </More>
      <SelectField<Mapping>
        label="Presses are mapped"
        value={mapping}
        options={[
          { value: 'standard', label: 'by CV 33 to 46, the common windows' },
          { value: 'shifted', label: 'by windows one CV earlier' },
          { value: 'typed', label: 'by windows of its own' },
          { value: 'free', label: 'freely: any press to any output' },
        ]}
        onChange={(m) => put('Mapping', { windows: windowsOf[m] === null ? null : [...windowsOf[m]] })}
      />
      {mapping === 'typed' && own.windows && (
        <TextField
          label="First output of CV 33, 34 … 46"
          text={own.windows.join(' ')}
          most={60}
          check={(t) => {
            const read = readWindows(t, MOST_OWN_OUTPUTS);
            return typeof read === 'string' ? read : null;
          }}
          onCommit={(t) => {
            const read = readWindows(t, MOST_OWN_OUTPUTS);
            if (typeof read !== 'string') put('Windows', { windows: read });
          }}
        />
      )}
      <div className="two-fields">
        <SelectField<100 | 31>
          label="Brightness is set in"
          value={own.brightnessSteps}
          options={[
            { value: 100, label: 'percent' },
            { value: 31, label: '31sts' },
          ]}
          onChange={(brightnessSteps) => put('Steps of brightness', { brightnessSteps })}
        />
        <NumberField
          label="Takes for itself"
          unit="amp"
          figure={own.ownAmps}
          limits={{ least: 0, most: 1 }}
          onCommit={(ownAmps) => put('Own current', { ownAmps })}
        />
      </div>
      <CheckField
        label="Lights its lamps on a DC track too"
        checked={own.runsOnDc}
        onChange={(runsOnDc) => put('On DC too', { runsOnDc })}
      />
      {own.runsOnDc && (
        <NumberField
          label="It wakes at"
          unit="volt"
          figure={own.wakeVolts}
          limits={{ least: 0, most: 30 }}
          onCommit={(wakeVolts) => put('Wakes at', { wakeVolts })}
        />
      )}
      <More label="Its plugs, its size">
        {Object.values(plugs).map((plug) => (
          <CheckField
            key={plug.id}
            label={`${plug.name}, ${plug.source}`}
            checked={own.plugs.includes(plug.id)}
            disabled={own.plugs.length === 1 && own.plugs[0] === plug.id}
            onChange={(on) =>
              put('Its plugs', {
                plugs: Object.keys(plugs).filter((id) => (id === plug.id ? on : own.plugs.includes(id))),
              })
            }
          />
        ))}
        <div className="two-fields">
          {(['length', 'width', 'height'] as const).map((side) => (
            <NumberField
              key={side}
              label={side.charAt(0).toUpperCase() + side.slice(1)}
              unit="millimetre"
              figure={own[`${side}Millimetres`]}
              limits={{ least: 1, most: 200 }}
              onCommit={(mm) => put('Size of the decoder', { [`${side}Millimetres`]: mm })}
            />
          ))}
          <NumberField
            label="An output switched on"
            unit="ohm"
            figure={own.onOhms}
            limits={{ least: 0.01, most: 1000 }}
            onCommit={(onOhms) => put('Ohms of an output', { onOhms })}
          />
        </div>
      </More>
    </section>
  );
}

function OwnOutput({
  number,
  output,
  onChange,
}: {
  readonly number: number;
  readonly output: Output;
  readonly onChange: (label: string, figures: Partial<Output>) => void;
}) {
  return (
    <fieldset className="own-output">
      <legend>Output {number}</legend>
      <div className="two-fields">
        <TextField
          label="Called"
          text={output.name}
          most={40}
          required
          onCommit={(name) => onChange('Name of an output', { name })}
        />
        <NumberField
          label="At most"
          unit="amp"
          figure={output.limitAmps}
          limits={{ least: 0.001, most: 5 }}
          onCommit={(limitAmps) => onChange('Limit of an output', { limitAmps })}
        />
        <SelectField<Output['level']>
          label="Is for"
          value={output.level}
          options={[
            { value: 'full', label: 'lamps' },
            { value: 'logic', label: 'a signal only' },
          ]}
          onChange={(level) => onChange('What an output is for', { level })}
        />
        <HoldFields holds={output.holds} onChange={(label, holds) => onChange(label, { holds })} />
      </div>
    </fieldset>
  );
}
