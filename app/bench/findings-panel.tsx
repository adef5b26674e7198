import { Button } from 'antd';
import { memo } from 'react';
import { causes, followersOf } from '../../core/finding/follows';
import { More } from '../fields/more';
import type { Finding, Remedy, Severity } from '../../core/finding/finding';
import './findings.css';

const severityNames: Readonly<Record<Severity, string>> = { stop: 'Stop', mind: 'Mind', note: 'Note' };

interface FindingsPanelProps {
  readonly findings: readonly Finding[];
  readonly stale: boolean;
  readonly failure: string | null;
  /** Left out where a cure cannot be looked at first. */
  readonly onPreview?: (remedy: Remedy | null) => void;
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
          {stale ? 'looking…' : findings.length === 0 ? '' : String(causes(findings).length)}
        </span>
      </header>
      {failure && <p className="field-refusal">{failure}</p>}
      {!failure && !stale && findings.length === 0 && (
        <div className="all-clear">
          <h3>Nothing does</h3>
          <p>Every part is within what it bears, and the lamps light.</p>
        </div>
      )}
      {causes(findings).map((f) => (
        <article key={f.id} className={`finding ${f.severity}`} data-rule={f.rule}>
          <Told finding={f} />
          <Followers findings={followersOf(findings, f)} />
          {f.remedies.length > 0 && (
            // Asleep as one: an edit puts every press here to sleep, and draws none of them anew for it.
            <fieldset className="cures" disabled={stale}>
              {f.remedies.map((r) => (
                <Cure
                  key={r.label}
                  remedy={r}
                  isPreviewed={previewed === r}
                  onPreview={onPreview}
                  onApply={onApply}
                />
              ))}
            </fieldset>
          )}
        </article>
      ))}
    </aside>
  );
});

const Told = memo(function Told({ finding }: { readonly finding: Finding }) {
  return (
    <>
      <span className="severity">{severityNames[finding.severity]}</span>
      <h3>{finding.title}</h3>
      <p>{finding.sentence}</p>
      <More label="Why">{finding.reason}</More>
    </>
  );
});

/** What follows from a finding, folded beneath it: every cure of it puts these right too. */
function Followers({ findings }: { readonly findings: readonly Finding[] }) {
  if (findings.length === 0) return null;
  const label =
    findings.length === 1 ? 'One more that goes with it' : `${findings.length} more that go with it`;
  return (
    <More label={label}>
      <ul className="followers">
        {findings.map((f) => (
          <li key={f.id} data-rule={f.rule}>
            <b>{f.title}</b> {f.sentence}
          </li>
        ))}
      </ul>
    </More>
  );
}

interface CureProps extends Pick<FindingsPanelProps, 'onPreview' | 'onApply'> {
  readonly remedy: Remedy;
  readonly isPreviewed: boolean;
}

const Cure = memo(function Cure({ remedy, isPreviewed, onPreview, onApply }: CureProps) {
  return (
    <div className="cure">
      <Button type="primary" onClick={() => onApply(remedy)}>
        {remedy.label}
      </Button>
      {onPreview && (
        <Button aria-pressed={isPreviewed} onClick={() => onPreview(isPreviewed ? null : remedy)}>
          {isPreviewed ? 'Back' : 'Look first'}
        </Button>
      )}
    </div>
  );
});
