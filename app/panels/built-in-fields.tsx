import { Button } from 'antd';
import { useState } from 'react';
import { Choice } from '../fields/choice';
import { NumberField } from '../fields/number-field';
import { useLayoutStore } from '../store/layout-store';
import { inferBuiltIn } from '../../core/part/built-in';
import { formatQuantity } from '../../core/quantity/format';
import { anyJobIn } from '../../core/document/jobs';
import type { BuiltInRecord } from '../../core/document/lamp-record';
import type { LedPart } from '../../core/part/led';

interface BuiltInFieldsProps {
  readonly jobId: string;
  readonly lampIds: readonly string[];
  readonly builtIn: BuiltInRecord;
  readonly led: LedPart;
}

const voltLimits = { least: 0.1, most: 60, range: '0.1 V to 60 V' };
const ampLimits = { least: 1e-6, most: 2, range: '1 µA to 2 A' };

/** What a built-in limit is, in words. */
function says(builtIn: BuiltInRecord): string {
  switch (builtIn.kind) {
    case 'nothing':
      return 'Nothing is built in.';
    case 'unknown':
      return 'Not known yet.';
    case 'resistor':
      return `Built in: a resistor of ${formatQuantity(builtIn.ohms, 'ohm')}.`;
    case 'limiter':
      return `Built in: a board that holds ${formatQuantity(builtIn.amps, 'amp')}.`;
  }
}

/** Ready-wired lamps and boards: one or two readings tell what hides in them. */
export function BuiltInFields({ jobId, lampIds, builtIn: now, led }: BuiltInFieldsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const [readings, setReadings] = useState([
    { volts: 12, amps: 0.005 },
    { volts: 9, amps: 0.003 },
  ]);
  const [second, setSecond] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  const put = (builtIn: BuiltInRecord): void => {
    setRefusal(null);
    edit('What is built in', (draft) => {
      for (const id of lampIds) anyJobIn(draft, jobId).lamps[id].builtIn = builtIn;
    });
  };
  const work = (): void => {
    try {
      put(inferBuiltIn(led, second ? readings : readings.slice(0, 1)));
    } catch (error) {
      setRefusal(error instanceof Error ? error.message : String(error));
    }
  };
  const read = (i: number, figure: Partial<(typeof readings)[number]>): void =>
    setReadings(readings.map((r, k) => (k === i ? { ...r, ...figure } : r)));
  return (
    <>
      <Choice<'nothing' | 'unknown'>
        label="They came"
        columns={2}
        options={[
          { value: 'nothing', name: 'Bare' },
          { value: 'unknown', name: 'Ready-wired', figure: 'what is in them?' },
        ]}
        value={now.kind === 'nothing' ? 'nothing' : 'unknown'}
        onChoose={(kind) => put({ kind })}
      />
      {now.kind !== 'nothing' && (
        <>
          <p className="hint" role="status">
            {says(now)} Read one of them on a bench supply:
          </p>
          {readings.slice(0, second ? 2 : 1).map((r, i) => (
            <div className="two-fields" key={i === 0 ? 'first' : 'second'}>
              <NumberField
                label={i === 0 ? 'Volts over it' : 'Volts, second reading'}
                unit="volt"
                figure={r.volts}
                limits={voltLimits}
                onCommit={(volts) => read(i, { volts })}
              />
              <NumberField
                label={i === 0 ? 'Current' : 'Current then'}
                unit="amp"
                figure={r.amps}
                limits={ampLimits}
                onCommit={(amps) => read(i, { amps })}
              />
            </div>
          ))}
          {refusal && (
            <p className="field-refusal" role="alert">
              {refusal}
            </p>
          )}
          <div className="button-row">
            <Button type="primary" onClick={work}>
              Find what is in them
            </Button>
            <Button onClick={() => setSecond(!second)}>{second ? 'One reading' : 'A second reading'}</Button>
          </div>
        </>
      )}
    </>
  );
}
