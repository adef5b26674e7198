import { inOrder } from '../../../core/document/in-order';
import { lampType } from '../../../core/document/lamp-type';
import { takenByDriver } from '../../../core/study/begin-driven';
import { firstResistor } from '../../../core/study/first-resistor';
import { formatQuantity } from '../../../core/quantity/format';
import { bulbs } from '../../../core/part/bulb';
import { More } from '../../fields/more';
import { NumberField } from '../../fields/number-field';
import { useLayoutStore } from '../../store/layout-store';
import { CircuitPanel } from '../circuit/circuit-panel';
import { drivenIn } from './driven-in';
import { useMemo } from 'react';
import { aspectLooks } from '../../../core/study/aspect-looks';
import type { AnyJob } from '../../../core/document/layout';
import type { Driven } from '../../../core/document/aspect-record';
import type { LampCore } from '../../../core/document/lamp-record';
import type { PanelProps } from '../../kinds/face';

/** The most each circuit's lamps get in any aspect, by circuit. */
function useMostAmps({ solved }: PanelProps): ReadonlyMap<string, number> {
  return useMemo(() => {
    const most = new Map<string, number>();
    const { job } = solved.bench;
    try {
      for (const { seen } of aspectLooks(solved.bench))
        for (const s of seen) {
          const id = job.lamps[s.lampId].circuitId;
          if (id !== null) most.set(id, Math.max(most.get(id) ?? 0, s.litAmps));
        }
    } catch {
      // Why it has no answer is told by its findings.
    }
    return most;
  }, [solved.bench]);
}

/** How bright each lamp is in its aspects, and by the circuit what limits it. */
export function OutputsPanel(props: PanelProps<AnyJob & Driven>) {
  const { layout, jobId, job, solved } = props;
  const edit = useLayoutStore((s) => s.edit);
  const most = useMostAmps(props);
  const setAmps = (circuitId: string, amps: number): void =>
    edit('How bright', (draft) => {
      const own = drivenIn(draft, jobId);
      const part = Object.values<LampCore>(job.lamps).find((l) => l.circuitId === circuitId)?.part;
      if (part === undefined || Object.hasOwn(bulbs, part)) return;
      const { supply } = solved.bench;
      Object.assign(own.circuits[circuitId], {
        limit: 'each',
        ...firstResistor(supply, lampType(layout, part), amps, 1, takenByDriver(job.driver, supply)),
      });
    });
  return (
    <div className="choices">
      <h2>How bright</h2>
      {inOrder(job.circuits).map((circuit) => (
        <NumberField
          key={circuit.id}
          label={`${circuit.name}: current in each`}
          unit="amp"
          figure={Number((most.get(circuit.id) ?? 0).toPrecision(2))}
          limits={{ least: 1e-5, most: 0.1, range: '0.01 mA to 100 mA' }}
          aside={circuit.limit === 'each' ? `${formatQuantity(circuit.ohms, 'ohm')} each` : undefined}
          significant={2}
          onCommit={(amps) => setAmps(circuit.id, amps)}
        />
      ))}
      <p className="hint">
        Lamps of different colours give unlike light from the same current: begun with, all look alike.
      </p>
      <More label="By the circuit">
        <CircuitPanel {...props} />
      </More>
    </div>
  );
}
