import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { More } from '../fields/more';
import { formatQuantity } from '../../core/quantity/format';
import {
  testerAmps,
  testerStep,
  type Seen,
  type TestedLamp,
  type Tester,
} from '../../core/study/unmarked-lamp';

interface UnmarkedLampProps {
  readonly tester: Tester;
  /** The job's own supply behind the resistor that serves all its lamps; null where there is none. */
  readonly own: Tester | null;
  /** The sort of lamp that is unmarked, with what it has in it. */
  readonly lamp: TestedLamp;
}

/** Which lead of an unmarked lamp is plus, step by step, with the tester or in the job's own circuit. */
export function UnmarkedLamp({ tester, own, lamp }: UnmarkedLampProps) {
  const [seen, setSeen] = useState<readonly Seen[]>([]);
  const [by, setBy] = useState<'tester' | 'own'>('tester');
  const step = testerStep(seen);
  const { led } = lamp;
  const used = by === 'own' && own ? own : tester;
  const amps = testerAmps(used, lamp);
  return (
    <More label="Which lead is plus? An unmarked lamp" open>
      {own && (
        <Segmented
          block
          aria-label="Tried with"
          options={[
            { value: 'tester', label: 'My tester' },
            { value: 'own', label: 'Its own circuit' },
          ]}
          value={by}
          onChange={setBy}
        />
      )}
      <p className="hint">
        With {formatQuantity(used.volts, 'volt')} and {formatQuantity(used.ohms, 'ohm')} one gets{' '}
        {formatQuantity(amps, 'amp')}
        {amps > led.greatestAmps
          ? `: more than the ${formatQuantity(led.greatestAmps, 'amp')} it bears, so touch it for a moment only, or use a larger resistor.`
          : ': safe.'}
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
