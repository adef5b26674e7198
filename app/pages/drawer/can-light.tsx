import { Link } from 'react-router';
import { amountWords } from '../../../core/build/sheet/tables';
import { inSentence } from '../../../core/quantity/format';
import { benchPath } from '../../shell/paths';
import { useStudy } from '../../workers/use-study';
import type { Layout } from '../../../core/document/layout';

/** Lacks that are named; the others are counted. */
const NAMED = 4;

/** Which jobs can be built of what lies in the drawer, and what the others lack. */
export function CanLight({ layout }: { readonly layout: Layout }) {
  const { answer, failure, stale } = useStudy('canBuild', layout, {});
  if (failure) return <p className="field-refusal">{failure}</p>;
  if (!answer) return <p className="stale-note">Being looked through…</p>;
  return (
    <section aria-busy={stale}>
      <h2>What can be lit with what there is</h2>
      <ul className="can-light">
        {answer.map(({ jobId, name, lacks }) => (
          <li key={jobId}>
            <Link to={benchPath(jobId, 'build')}>{name}</Link>
            <span className={lacks.length === 0 ? 'ready' : undefined}>
              {lacks.length === 0
                ? 'Everything is there.'
                : `Lacks ${lacks
                    .slice(0, NAMED)
                    .map((l) => `${amountWords(l.key, l.count - l.owned)} ${inSentence(l.name)}`)
                    .join('; ')}${lacks.length > NAMED ? ` and ${lacks.length - NAMED} more` : ''}.`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
