import { memo } from 'react';
import { Link } from 'react-router';
import { benchPath } from '../shell/paths';
import type { Finding } from '../../core/finding/finding';
import type { Face } from '../kinds/face';

interface StepsProps {
  readonly face: Face;
  readonly jobId: string;
  readonly stage: string;
  /** Null until it has been judged. */
  readonly findings: readonly Finding[] | null;
}

type StepState = 'open' | 'attention' | 'settled';
const says: Readonly<Record<StepState, string>> = {
  open: 'not yet judged',
  attention: 'needs attention',
  settled: 'settled',
};

/** How a stage of the work stands. */
export function stepState(face: Face, stage: string, findings: readonly Finding[] | null): StepState {
  if (!findings) return 'open';
  const wrong = findings.some((f) => f.severity !== 'note' && f.paths.some((p) => face.stageOf(p) === stage));
  return wrong ? 'attention' : 'settled';
}

/**
 * The stages of the work, each with how it stands. Links, so that one opens in a tab of its own: the
 * library's steps are buttons of a form that is gone through in order.
 */
export const Steps = memo(function Steps({ face, jobId, stage, findings }: StepsProps) {
  return (
    <nav className="steps" aria-label="Stages of the work">
      {face.stages.map((s, i) => (
        <Step
          key={s.id}
          to={benchPath(jobId, s.id)}
          number={i + 1}
          name={s.name}
          isOpen={s.id === stage}
          state={stepState(face, s.id, findings)}
        />
      ))}
    </nav>
  );
});

interface StepProps {
  readonly to: string;
  readonly number: number;
  readonly name: string;
  readonly isOpen: boolean;
  readonly state: StepState;
}

const Step = memo(function Step({ to, number, name, isOpen, state }: StepProps) {
  return (
    <Link to={to} className={isOpen ? 'active' : ''} aria-current={isOpen ? 'step' : undefined}>
      <span className={`state ${state}`} title={says[state]} />
      <span className="number">{number}</span>
      {name}
      <span className="visually-hidden">, {says[state]}</span>
    </Link>
  );
});
