import { useProof } from '../drawings/use-proof';
import { TesterFields } from './tester-fields';
import type { PanelProps } from '../kinds/face';
import '../drawings/proof.css';

/** What is proven by the fewest touches, and what is not. */
export function ProofPanel(props: PanelProps) {
  const { answer } = useProof(props);
  return (
    <div className="choices">
      <h2>Before the body closes</h2>
      <p className="hint">
        The fewest touches that would expose any single fault: a lamp reversed, open or bridged, a resistor
        forgotten, leads swapped, outputs exchanged. Each is computed from the wiring with that fault in it.
      </p>
      <TesterFields tester={props.layout.drawer.tester} />
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
