import { Button } from 'antd';
import { useState } from 'react';
import { More } from '../fields/more';
import { leds } from '../../core/part/led';
import { formatQuantity } from '../../core/quantity/format';
import { testerAmps, testerStep, type Seen } from '../../core/study/unmarked-lamp';

/** Which lead of an unmarked lamp is plus, step by step with the tester. */
export function UnmarkedLamp({
  tester,
}: {
  readonly tester: { readonly volts: number; readonly ohms: number };
}) {
  const [seen, setSeen] = useState<readonly Seen[]>([]);
  const step = testerStep(seen);
  const amps = testerAmps(tester, leds['white-warm']);
  return (
    <More label="Which lead is plus? An unmarked lamp" open>
      <p className="hint">
        With {formatQuantity(tester.volts, 'volt')} and {formatQuantity(tester.ohms, 'ohm')} a white lamp gets{' '}
        {formatQuantity(amps, 'amp')}
        {amps > leds['white-warm'].greatestAmps ? ': too much, use a larger resistor.' : ': safe.'}
      </p>
      <div className="tester-step" role="status">
        <p>
          <b>{seen.length + 1}.</b> {step.says}
        </p>
        <div className="button-row">
          {step.asks && (
            <>
              <Button type="primary" onClick={() => setSeen([...seen, 'lit'])}>
                It lights
              </Button>
              <Button onClick={() => setSeen([...seen, 'dark'])}>Dark</Button>
            </>
          )}
          {seen.length > 0 && <Button onClick={() => setSeen([])}>Begin again</Button>}
        </div>
      </div>
    </More>
  );
}
