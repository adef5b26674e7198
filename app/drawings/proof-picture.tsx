import { Button } from 'antd';
import { useProof } from './use-proof';
import type { PictureProps } from '../kinds/face';
import './proof.css';

/** Faults of a touch that are named; the others are counted. */
const NAMED = 3;

/** The touches in order, each with what must be seen. */
export function ProofPicture(props: PictureProps) {
  const proof = useProof(props);
  const { answer } = proof;
  if (proof.failure) return <p className="field-refusal">{proof.failure}</p>;
  if (!answer) return <p className="stale-note">Being worked out from the faulted wiring…</p>;
  return (
    <div className="proof" aria-busy={proof.stale}>
      <h3>
        {answer.touches.length} touches for {props.job.name}
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
              Exposes {t.exposes.length} faults: {t.exposes.slice(0, NAMED).join('; ')}
              {t.exposes.length > NAMED ? ' and others' : ''}.
            </small>
          </li>
        ))}
      </ol>
      <Button className="print-button" onClick={() => print()}>
        Print these touches
      </Button>
    </div>
  );
}
