import { Button } from 'antd';
import { Link, useParams } from 'react-router';
import { sheetStyle } from '../../core/build/sheet/html';
import { saveFile } from '../storage/files';
import { Drawn } from '../drawings/build/drawn';
import { benchPath, idOf } from '../shell/paths';
import { useLayoutStore } from '../store/layout-store';
import { useStudy } from '../workers/use-study';
import { NotFound } from './not-found';
import type { Layout } from '../../core/document/layout';
import './sheet.css';

/** The sheet for the bench of a job, to be printed and pinned up. */
export function SheetPage() {
  const jobId = idOf(useParams().jobId);
  const layout = useLayoutStore((s) => s.layout);
  if (!layout || jobId === undefined || !Object.hasOwn(layout.jobs, jobId)) return <NotFound />;
  return <SheetOf key={jobId} layout={layout} jobId={jobId} />;
}

/** What there is at once, and with the proof in it as soon as that is worked out. */
function SheetOf({ layout, jobId }: { readonly layout: Layout; readonly jobId: string }) {
  const quick = useStudy('sheet', layout, { jobId, proof: false });
  const whole = useStudy('sheet', layout, { jobId, proof: true }, 'slow');
  const sheet = (whole.stale ? null : whole.answer) ?? quick.answer;
  return (
    <main className="sheet-page" aria-busy={whole.stale && whole.failure === null}>
      <style>{sheetStyle}</style>
      <div className="button-row no-print">
        <Link to={benchPath(jobId, 'build')}>Back to the bench</Link>
        <Button type="primary" disabled={!sheet} onClick={() => print()}>
          Print
        </Button>
        <Button
          disabled={!sheet}
          onClick={() => sheet && saveFile(`${jobId}-sheet.md`, sheet.markdown, 'text/markdown')}
        >
          Save as Markdown
        </Button>
        {whole.stale && whole.failure === null && (
          <span className="stale-note">The proof is being worked out…</span>
        )}
      </div>
      {quick.failure && <p className="field-refusal">{quick.failure}</p>}
      {sheet ? <Drawn svg={sheet.html} /> : !quick.failure && <p className="stale-note">Being written…</p>}
    </main>
  );
}
