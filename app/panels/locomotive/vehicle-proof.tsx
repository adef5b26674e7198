import { NumberField } from '../../fields/number-field';
import { useLayoutStore } from '../../store/layout-store';
import type { VehiclePanelProps } from './vehicle-panel';
import type { TaskState } from '../../workers/use-task';
import type { ShortestProof } from '../../../core/study/shortest-proof';

interface VehicleProofProps extends VehiclePanelProps {
  readonly proof: TaskState<ShortestProof | null>;
}

/** What is proven by the fewest touches, and what is not. */
export function VehicleProof({ layout, proof }: VehicleProofProps) {
  const edit = useLayoutStore((s) => s.edit);
  const { answer } = proof;
  return (
    <div className="choices">
      <h2>Before the body closes</h2>
      <p className="hint">
        The fewest touches that would expose any single fault: a lamp reversed, open or bridged, a resistor
        forgotten, leads swapped, outputs exchanged. Each is computed from the wiring with that fault in it.
      </p>
      <div className="two-fields">
        <NumberField
          label="Your battery"
          unit="volt"
          figure={layout.drawer.tester.volts}
          limits={{ least: 1, most: 24, range: '1 to 24 V' }}
          onCommit={(v) => edit('Tester', (draft) => void (draft.drawer.tester.volts = v))}
        />
        <NumberField
          label="Its resistor"
          unit="ohm"
          figure={layout.drawer.tester.ohms}
          limits={{ least: 1, most: 1e5, range: '1 Ω to 100 kΩ' }}
          onCommit={(ohms) => edit('Tester', (draft) => void (draft.drawer.tester.ohms = ohms))}
        />
      </div>
      {answer && (
        <>
          <dl className="fact-list">
            <dt>Single faults tried</dt>
            <dd>{answer.tried}</dd>
            <dt>Touches needed</dt>
            <dd>{answer.touches.length}</dd>
          </dl>
          <h3 className="part-head">What remains unproven</h3>
          {answer.unproven.length === 0 ? (
            <p className="hint">
              No single fault of those tried. Two faults at once may hide one another, and heat over time is
              not seen in a touch.
            </p>
          ) : (
            <ul className="tick-list">
              {answer.unproven.map((u) => (
                <li key={u}>{u}</li>
              ))}
            </ul>
          )}
        </>
      )}
      <p className="hint">
        A tired test battery deceives: touch a lamp you know first. A touch on the track with a resistor
        forgotten costs the lamp, so tester touches come first.
      </p>
    </div>
  );
}
