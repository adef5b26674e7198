import { Suspense, useCallback, useMemo, useState } from 'react';
import { patched } from '../../core/document/patch';
import { handFor } from '../../core/study/hand';
import { useLayoutStore } from '../store/layout-store';
import { useJobHand, useRunStore } from '../store/run-store';
import { useLiveRun } from '../workers/use-live-run';
import { FindingsPanel } from './findings-panel';
import { Pictures } from './pictures';
import { PreviewBand } from './preview-band';
import { useSolvedJob } from './solved-job';
import { Stage } from './stage';
import { Steps } from './steps';
import { useCaughtUp } from './use-caught-up';
import { gravestFirst } from '../../core/finding/gravest-first';
import { useStudy } from '../workers/use-study';
import { useJudged } from './use-judged';
import type { Layout } from '../../core/document/layout';
import type { Finding, Remedy } from '../../core/finding/finding';
import type { State } from '../../core/supply/state';
import type { Face, PanelProps } from '../kinds/face';
import './bench.css';

interface BenchProps {
  readonly face: Face;
  readonly layout: Layout;
  readonly jobId: string;
  readonly stage: string;
}

/** Whether a finding about what several jobs share is about this one too. */
const isOfJob = ({ paths }: Finding, jobId: string): boolean =>
  paths.some(([room, id]) => room === 'jobs' && id === jobId);

/** The bench of any job: stage, steps of the work, choices, pictures and what needs attention; the face of its kind fills them. */
export function BenchOf({ face, layout: open, jobId, stage }: BenchProps) {
  const [preview, setPreview] = useState<{ readonly remedy: Remedy; readonly of: Layout } | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const apply = useLayoutStore((s) => s.apply);
  const control = useRunStore((s) => s.control);
  const hand = useJobHand(jobId);
  // A preview stands only for the layout it was made for.
  const shown = preview?.of === open ? preview.remedy : null;
  const layout = useMemo(() => (shown ? patched(open, shown.patches) : open), [open, shown]);
  const solved = useSolvedJob(layout, jobId, hand);
  const live = useLiveRun(layout, jobId, hand, solved.state);
  const judged = useJudged(open, jobId, hand.supplyId ?? undefined);
  const shared = useStudy('judgeShared', open, {}, 'slow').answer;
  const findings = useMemo(
    () => gravestFirst([...judged.findings, ...(shared ?? []).filter((f) => isOfJob(f, jobId))]),
    [judged.findings, shared, jobId],
  );
  const wrong = findings
    .filter((f) => f.severity !== 'note')
    .flatMap((f) => f.terminals.map((part) => part.part))
    .join('\n');
  const flagged = useMemo(() => new Set(wrong.split('\n')), [wrong]);
  // The stage shows one moment: nothing of an edit until it is solved.
  const onStage = useMemo(
    (): PanelProps => ({ layout: solved.bench.layout, jobId, job: solved.bench.job, solved, hand, live }),
    [solved, jobId, hand, live],
  );
  const now = useMemo(
    (): PanelProps => ({ layout, jobId, job: layout.jobs[jobId], solved, hand, live }),
    [layout, jobId, solved, hand, live],
  );
  // The stage goes first; choices and picture follow as soon as there is time.
  const { shown: below, catches } = useCaughtUp(now, solved.bench.layout === layout);
  const onApply = useCallback(
    (remedy: Remedy): void => {
      setPreview(null);
      setRefusal(apply(remedy.label, remedy.patches));
    },
    [apply],
  );
  const onPreview = useCallback((remedy: Remedy | null): void => {
    const of = useLayoutStore.getState().layout;
    setPreview(remedy && of ? { remedy, of } : null);
  }, []);
  // With what the pictures show, which is drawn after the stage.
  const { bench } = below.solved;
  const onState = useCallback(
    (state: State): void => control(jobId, { power: true, set: handFor(bench, state) }),
    [control, jobId, bench],
  );
  const choices = useMemo(() => {
    const { Panel } = face.stages.find((s) => s.id === stage)!;
    return (
      <Suspense fallback={<div className="choices" />}>
        <Panel {...below} />
      </Suspense>
    );
  }, [face, stage, below]);
  const pictures = useMemo(
    () => <Pictures key={stage} face={face} stage={stage} of={{ ...below, flagged, onState }} />,
    [face, stage, below, flagged, onState],
  );
  return (
    <main className="bench">
      <h1 className="visually-hidden">{open.jobs[jobId].name} on the bench</h1>
      <div className="stage-place">
        <Stage face={face} stage={stage} of={onStage} />
        {shown && <PreviewBand remedy={shown} onKeep={onApply} onBack={() => setPreview(null)} />}
      </div>
      <Steps face={face} jobId={jobId} stage={stage} findings={judged.begun ? findings : null} />
      <div className="work" {...catches}>
        {choices}
        {pictures}
        <FindingsPanel
          findings={findings}
          stale={judged.stale}
          failure={refusal ?? judged.failure}
          previewed={shown}
          onPreview={onPreview}
          onApply={onApply}
        />
      </div>
    </main>
  );
}
