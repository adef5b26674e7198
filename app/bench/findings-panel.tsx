import { Button } from 'antd';
import { memo } from 'react';
import { More } from '../fields/more';
import type { Finding, Remedy, Severity } from '../../core/finding/finding';
import './findings.css';

const severityNames: Readonly<Record<Severity, string>> = { stop: 'Stop', mind: 'Mind', note: 'Note' };

interface FindingsPanelProps {
  readonly findings: readonly Finding[];
  readonly stale: boolean;
  readonly failure: string | null;
  readonly onPreview: (remedy: Remedy | null) => void;
  readonly previewed: Remedy | null;
  readonly onApply: (remedy: Remedy) => void;
}

/** What needs attention, each with its figure, its reason and, where there is one, its cure. */
export const FindingsPanel = memo(function FindingsPanel({
  findings,
  stale,
  failure,
  onPreview,
  previewed,
  onApply,
}: FindingsPanelProps) {
  return (
    <aside
      className={stale ? 'findings stale' : 'findings'}
      aria-label="What needs attention"
      aria-busy={stale}
    >
      <header>
        <h2>What needs attention</h2>
        <span className="count" role="status">
          {stale ? 'looking…' : findings.length === 0 ? '' : String(findings.length)}
        </span>
      </header>
      {failure && <p className="field-refusal">{failure}</p>}
      {!failure && !stale && findings.length === 0 && (
        <div className="all-clear">
          <h3>Nothing does</h3>
          <p>Every part is within what it bears, and the lamps light.</p>
        </div>
      )}
      {findings.map((f) => (
        <article key={f.id} className={`finding ${f.severity}`} data-rule={f.rule}>
          <span className="severity">{severityNames[f.severity]}</span>
          <h3>{f.title}</h3>
          <p>{f.sentence}</p>
          <More label="Why">{f.reason}</More>
          {f.remedies.length > 0 && (
            <div className="cures">
              {f.remedies.map((r) => (
                <div className="cure" key={r.label}>
                  <Button type="primary" disabled={stale} onClick={() => onApply(r)}>
                    {r.label}
                  </Button>
                  <Button
                    disabled={stale}
                    aria-pressed={previewed === r}
                    onClick={() => onPreview(previewed === r ? null : r)}
                  >
                    {previewed === r ? 'Back' : 'Look first'}
                  </Button>
                </div>
              ))}
            </div>
          )}
        </article>
      ))}
    </aside>
  );
});
