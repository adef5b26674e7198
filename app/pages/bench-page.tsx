import { Button } from 'antd';
import { lazy, Suspense, useState, type KeyboardEvent } from 'react';
import { NavLink, useNavigate, useParams } from 'react-router';
import { patched } from '../../core/document/patch';
import { gravestFirst } from '../../core/finding/gravest-first';
import { CircuitView } from '../drawings/circuit/circuit-view';
import { Stage } from '../drawings/stage/stage';
import { CircuitPanel } from '../panels/circuit-panel';
import { FindingsPanel } from '../panels/findings-panel';
import { useLayoutStore } from '../store/layout-store';
import { useRunStore } from '../store/run-store';
import { useJobControls } from '../store/run-store';
import { useSolved, usualOf } from '../store/use-solved';
import { useLiveRun } from '../workers/use-live-run';
import { useTask } from '../workers/use-task';
import { NotFound } from './not-found';
import { vehicleStages, type VehicleStageId } from './vehicle-stages';
import { stageOfPath, stages, type StageId } from './stages';
import { coachIn } from '../../core/kinds/coach/jobs';
import { benchPath, idOf } from '../shell/paths';
import type { Layout } from '../../core/document/layout';
import type { Finding, Remedy } from '../../core/finding/finding';
import './bench.css';

const BriefPanel = lazy(async () => ({ default: (await import('../panels/brief-panel')).BriefPanel }));
const PowerPanel = lazy(async () => ({ default: (await import('../panels/power-panel')).PowerPanel }));
const LampsPanel = lazy(async () => ({ default: (await import('../panels/lamps-panel')).LampsPanel }));
const TryPanel = lazy(async () => ({ default: (await import('../panels/try-panel')).TryPanel }));
const FitPanel = lazy(async () => ({ default: (await import('../panels/fit-panel')).FitPanel }));
const FitView = lazy(async () => ({ default: (await import('../drawings/fit/fit-view')).FitView }));
const CuttingPanel = lazy(async () => ({ default: (await import('../panels/cutting-panel')).CuttingPanel }));
const PowerCutChart = lazy(() => import('../drawings/charts/power-cut-chart'));
const CellLifeChart = lazy(() => import('../drawings/charts/cell-life-chart'));
const Scope = lazy(async () => ({ default: (await import('../drawings/charts/scope')).Scope }));
const LightView = lazy(async () => ({ default: (await import('../drawings/light/light-view')).LightView }));
const LocomotiveBench = lazy(async () => ({
  default: (await import('./locomotive-page')).LocomotiveBench,
}));
const ComparePanel = lazy(() => import('../panels/compare-panel'));

type PictureKind = 'light' | 'fit' | 'circuit' | 'behaviour' | 'compare';
const pictureNames: Readonly<Record<PictureKind, string>> = {
  light: 'Light',
  circuit: 'Circuit',
  behaviour: 'Behaviour',
  fit: 'Fit',
  compare: 'Compare',
};

/** The drawing that goes with a stage of the work, until another is chosen. */
const usualPicture: Readonly<Record<StageId, PictureKind>> = {
  brief: 'light',
  power: 'circuit',
  lamps: 'light',
  circuit: 'circuit',
  try: 'behaviour',
  fit: 'fit',
};

/** One job on the bench. */
export function BenchPage() {
  const { jobId: part, stage } = useParams();
  const jobId = idOf(part);
  const layout = useLayoutStore((s) => s.layout);
  if (!layout || jobId === undefined || !Object.hasOwn(layout.jobs, jobId)) return <NotFound />;
  if (layout.jobs[jobId].kind === 'locomotive') {
    if (stage !== undefined && !vehicleStages.some((s) => s.id === stage)) return <NotFound />;
    return (
      <Suspense fallback={null}>
        <LocomotiveBench
          key={jobId}
          layout={layout}
          jobId={jobId}
          stage={(stage as VehicleStageId | undefined) ?? 'circuit'}
        />
      </Suspense>
    );
  }
  if (stage !== undefined && !stages.some((s) => s.id === stage)) return <NotFound />;
  return (
    <Bench key={jobId} layout={layout} jobId={jobId} stage={(stage as StageId | undefined) ?? 'circuit'} />
  );
}

interface BenchProps {
  readonly layout: Layout;
  readonly jobId: string;
  readonly stage: StageId;
}

function stateOf(
  id: StageId,
  findings: readonly Finding[],
  judged: boolean,
): { kind: 'settled' | 'attention' | 'open'; says: string } {
  if (!judged) return { kind: 'open', says: 'not yet judged' };
  const here = findings.filter((f) => f.paths.some((p) => stageOfPath(p) === id));
  return here.some((f) => f.severity !== 'note')
    ? { kind: 'attention', says: 'needs attention' }
    : { kind: 'settled', says: 'settled' };
}

function Bench({ layout: open, jobId, stage }: BenchProps) {
  const [preview, setPreview] = useState<{ remedy: Remedy; of: Layout } | null>(null);
  const [picture, setPicture] = useState<{ kind: PictureKind; stage: StageId } | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const apply = useLayoutStore((s) => s.apply);
  const setControls = useRunStore((s) => s.set);
  const navigate = useNavigate();
  // A preview stands only for the layout it was made for.
  const shown = preview?.of === open ? preview.remedy : null;
  const layout = shown ? patched(open, shown.patches) : open;
  const usual = usualOf(layout, jobId);
  const controls = useJobControls(jobId, usual.throttle);
  // A run is told against the state it is made for; so are its windows.
  const solved = useSolved(layout, jobId, controls.playing ? usual : controls);
  const live = useLiveRun(layout, jobId, controls);
  const quick = useTask((tasks) => tasks.judge(open, jobId, 'quick'), [open, jobId]);
  const slow = useTask((tasks) => tasks.judge(open, jobId, 'slow'), [open, jobId]);
  const cut = useTask((tasks) => tasks.powerCut(layout, jobId), [layout, jobId]);
  const alight = useTask(stage === 'try' ? (tasks) => tasks.stayingAlight(layout, jobId) : null, [
    layout,
    jobId,
    stage === 'try',
  ]);
  const findings = gravestFirst([...(quick.answer ?? []), ...(slow.answer ?? [])]);
  const flagged = new Set(
    findings.filter((f) => f.severity !== 'note').flatMap((f) => f.terminals.map((t) => t.part)),
  );
  const kind = picture?.stage === stage ? picture.kind : usualPicture[stage];

  const onKey = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target !== event.currentTarget) return;
    const at = stages.findIndex((s) => s.id === stage);
    const onDc = solved.bench.supply.kind === 'dc-track';
    const nudge = (by: number): void =>
      setControls(jobId, {
        throttle: Math.min(1, Math.max(0, Math.round((controls.throttle + by) * 100) / 100)),
      });
    if (event.key === 'p' || event.key === 'P') setControls(jobId, { power: !controls.power });
    else if ((event.key === 'r' || event.key === 'R') && onDc)
      setControls(jobId, { direction: controls.direction === 'forward' ? 'reverse' : 'forward' });
    else if ((event.key === 'ArrowUp' || event.key === 'ArrowRight') && onDc) nudge(0.05);
    else if ((event.key === 'ArrowDown' || event.key === 'ArrowLeft') && onDc) nudge(-0.05);
    else if (event.key === '[' && at > 0) void navigate(benchPath(jobId, stages[at - 1].id));
    else if (event.key === ']' && at < stages.length - 1) void navigate(benchPath(jobId, stages[at + 1].id));
    else if (event.key === '?') dispatchEvent(new Event('hazel-keys'));
    else return;
    event.preventDefault();
  };
  const onApply = (remedy: Remedy): void => {
    setPreview(null);
    setRefusal(apply(remedy.label, remedy.patches));
  };
  const panel = { layout, jobId, solved };
  return (
    <main className="bench">
      <h1 className="visually-hidden">{coachIn(open, jobId).name} on the bench</h1>
      <div style={{ position: 'relative', display: 'grid' }}>
        <Stage
          layout={layout}
          jobId={jobId}
          solved={solved}
          cut={cut}
          controls={controls}
          live={live}
          onKey={onKey}
        />
        {shown && (
          <div className="stage-band" role="status">
            Only a look: {shown.label}
            <Button type="primary" onClick={() => onApply(shown)}>
              Keep it
            </Button>
            <Button onClick={() => setPreview(null)}>Back</Button>
          </div>
        )}
      </div>
      <nav className="steps" aria-label="Stages of the work">
        {stages.map((s, i) => {
          const state = stateOf(s.id, findings, quick.answer !== null);
          return (
            <NavLink
              key={s.id}
              to={benchPath(jobId, s.id)}
              className={s.id === stage ? 'active' : ''}
              aria-current={s.id === stage ? 'step' : undefined}
            >
              <span className={`state ${state.kind}`} title={state.says} />
              <span className="number">{i + 1}</span>
              {s.name}
              <span className="visually-hidden">, {state.says}</span>
            </NavLink>
          );
        })}
      </nav>
      <div className="work">
        <Suspense fallback={<div className="choices" />}>
          {stage === 'brief' && <BriefPanel {...panel} />}
          {stage === 'power' && <PowerPanel {...panel} />}
          {stage === 'lamps' && <LampsPanel {...panel} />}
          {stage === 'circuit' && <CircuitPanel {...panel} />}
          {stage === 'fit' && <FitPanel {...panel} />}
          {stage === 'try' && (
            <TryPanel {...panel} cut={cut} alight={alight} controls={controls} live={live} />
          )}
        </Suspense>
        <section className="picture" aria-label="Drawings of the job">
          <div className="tabs" role="tablist">
            {(Object.keys(pictureNames) as PictureKind[]).map((k) => (
              <button
                key={k}
                type="button"
                role="tab"
                id={`tab-${k}`}
                aria-controls="picture"
                aria-selected={kind === k}
                onClick={() => setPicture({ kind: k, stage })}
              >
                {pictureNames[k]}
              </button>
            ))}
          </div>
          <div className="picture-body" role="tabpanel" id="picture" aria-labelledby={`tab-${kind}`}>
            {solved.failure && <p className="field-refusal">{solved.failure}</p>}
            <Suspense fallback={<p className="stale-note">Opening…</p>}>
              {kind === 'circuit' ? (
                <CircuitView solved={solved} flagged={flagged} />
              ) : kind === 'light' ? (
                <LightView solved={solved} />
              ) : kind === 'fit' ? (
                <>
                  <FitView job={solved.bench.job}>
                    <CuttingPanel layout={layout} jobId={jobId} />
                  </FitView>
                </>
              ) : kind === 'compare' ? (
                <ComparePanel layout={open} jobId={jobId} />
              ) : live.samples.length > 0 ? (
                <Scope samples={live.samples} />
              ) : solved.bench.supply.kind === 'cell' && alight.answer?.cellLife ? (
                <CellLifeChart life={alight.answer.cellLife} stale={alight.stale} />
              ) : cut.answer ? (
                <PowerCutChart cut={cut.answer} stale={cut.stale} />
              ) : (
                <p className="stale-note">{cut.failure ?? 'Being worked out…'}</p>
              )}
            </Suspense>
          </div>
        </section>
        <FindingsPanel
          findings={findings}
          stale={quick.stale || slow.stale}
          failure={refusal ?? quick.failure ?? slow.failure}
          previewed={shown}
          onPreview={(remedy) => setPreview(remedy ? { remedy, of: open } : null)}
          onApply={onApply}
        />
      </div>
    </main>
  );
}
