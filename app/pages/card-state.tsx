import { causes } from '../../core/finding/follows';
import type { Finding } from '../../core/finding/finding';

interface CardStateProps {
  /** Null while it is being judged. */
  readonly findings: readonly Finding[] | null;
  readonly failure: string | null;
}

/** Whether something needs attention, and the gravest of it. */
export function CardState({ findings, failure }: CardStateProps) {
  const { className, text } = attention(findings);
  return (
    <>
      <p>
        <span className={className}>{text}</span>
      </p>
      {findings?.[0] && <p>{findings[0].title}</p>}
      {failure && <p className="field-refusal">{failure}</p>}
    </>
  );
}

function attention(findings: readonly Finding[] | null): { className: string; text: string } {
  if (!findings) return { className: 'badge wait', text: 'looking…' };
  const own = causes(findings);
  const stops = own.filter((f) => f.severity === 'stop').length;
  const minds = own.filter((f) => f.severity === 'mind').length;
  if (stops > 0) return { className: 'badge stop', text: `${stops} to stop for` };
  if (minds > 0) return { className: 'badge mind', text: `${minds} to mind` };
  return { className: 'badge', text: 'nothing needs attention' };
}
