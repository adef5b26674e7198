import { useState } from 'react';
import { FindingsPanel } from '../../bench/findings-panel';
import { useLayoutStore } from '../../store/layout-store';
import { useStudy } from '../../workers/use-study';
import type { Layout } from '../../../core/document/layout';

/** What several jobs ask of a supply they share, where that is too much. */
export function SharedFindings({ layout }: { readonly layout: Layout }) {
  const apply = useLayoutStore((s) => s.apply);
  const [refusal, setRefusal] = useState<string | null>(null);
  const judged = useStudy('judgeShared', layout, {}, 'slow');
  const findings = judged.answer ?? [];
  if (findings.length === 0 && refusal === null) return null;
  return (
    <FindingsPanel
      findings={findings}
      stale={judged.stale}
      failure={refusal ?? judged.failure}
      previewed={null}
      onApply={(remedy) => setRefusal(apply(remedy.label, remedy.patches))}
    />
  );
}
