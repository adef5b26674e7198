import { anyJobIn } from '../../../core/document/jobs';
import { Choice } from '../../fields/choice';
import { useLayoutStore } from '../../store/layout-store';
import type { CircuitRecord } from '../../../core/document/wiring-record';

interface LimitChoiceProps {
  readonly jobId: string;
  readonly circuit: CircuitRecord & { readonly id: string };
}

/** What limits the lamps of a circuit on a steady supply. */
export function LimitChoice({ jobId, circuit }: LimitChoiceProps) {
  const edit = useLayoutStore((s) => s.edit);
  return (
    <Choice<CircuitRecord['limit']>
      label="What limits the current"
      columns={2}
      options={[
        { value: 'shared', name: 'One resistor', figure: 'for all, fewest joints' },
        { value: 'each', name: 'A resistor each', figure: 'even light' },
        { value: 'limiter', name: 'A limiter', figure: 'holds the current' },
        { value: 'none', name: 'Nothing', figure: 'ready-wired lamps' },
      ]}
      value={circuit.limit}
      onChoose={(limit) =>
        edit('What limits the current', (draft) => {
          anyJobIn(draft, jobId).circuits[circuit.id].limit = limit;
        })
      }
    />
  );
}
