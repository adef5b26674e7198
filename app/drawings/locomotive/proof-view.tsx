import type { TaskState } from '../../workers/use-task';
import type { ShortestProof } from '../../../core/study/shortest-proof';
import type { LocomotiveRecord } from '../../../core/kinds/locomotive/record';

interface ProofViewProps {
  readonly job: LocomotiveRecord;
  readonly proof: TaskState<ShortestProof | null>;
}

/** The touches in order, each with what must be seen. */
export function ProofView({ job, proof }: ProofViewProps) {
  const { answer } = proof;
  if (proof.failure) return <p className="field-refusal">{proof.failure}</p>;
  if (!answer) return <p className="stale-note">Being worked out from the faulted wiring…</p>;
  return (
    <div className="proof" aria-busy={proof.stale}>
      <h3>
        {answer.touches.length} touches for {job.name}
      </h3>
      <p className="hint">
        Tester of {answer.tester}. {proof.stale && 'Being worked out again…'}
      </p>
      <ol className="proof-list">
        {answer.touches.map((t) => (
          <li key={t.id}>
            <b>{t.does}</b>
            <span>Must be seen: {t.sees}.</span>
            <small>
              Exposes {t.exposes.length} faults: {t.exposes.slice(0, 3).join('; ')}
              {t.exposes.length > 3 ? ' and others' : ''}.
            </small>
          </li>
        ))}
      </ol>
      <button type="button" className="print-button" onClick={() => print()}>
        Print these touches
      </button>
    </div>
  );
}
