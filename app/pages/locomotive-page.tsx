import { Button } from 'antd';
import { lazy, Suspense, useState, type KeyboardEvent } from 'react';
import { NavLink, useNavigate } from 'react-router';
import { patched } from '../../core/document/patch';
import { locomotiveIn } from '../../core/kinds/locomotive/jobs';
import { VehicleStage } from '../drawings/locomotive/vehicle-stage';
import { VehicleCircuitView } from '../drawings/locomotive/vehicle-circuit-view';
import { FindingsPanel } from '../panels/findings-panel';
import { useLayoutStore } from '../store/layout-store';
import { useVehicle } from '../store/use-vehicle';
import { useVehicleControls, useVehicleStore } from '../store/vehicle-store';
import { ownDirection } from '../../core/kinds/locomotive/own-direction';
import { functionsOf, functionsOn, isMoving, pressesIn } from '../../core/supply/drivers/decoder';
import { directionIn, throttleIn } from '../../core/supply/state';
import { useTask } from '../workers/use-task';
import { vehicleStages, vehicleStageOf, type VehicleStageId } from './vehicle-stages';
import { benchPath } from '../shell/paths';
import type { Layout } from '../../core/document/layout';
import type { Finding, Remedy } from '../../core/finding/finding';
import type { State } from '../../core/supply/state';
import './bench.css';
import './locomotive.css';

const VehicleBrief = lazy(async () => ({
  default: (await import('../panels/locomotive/vehicle-brief')).VehicleBrief,
}));
const VehiclePower = lazy(async () => ({
  default: (await import('../panels/locomotive/vehicle-power')).VehiclePower,
}));
const VehicleLamps = lazy(async () => ({
  default: (await import('../panels/locomotive/vehicle-lamps')).VehicleLamps,
}));
const VehicleCircuit = lazy(async () => ({
  default: (await import('../panels/locomotive/vehicle-circuit')).VehicleCircuit,
}));
const VehicleFunctions = lazy(async () => ({
  default: (await import('../panels/locomotive/vehicle-functions')).VehicleFunctions,
}));
const VehicleTry = lazy(async () => ({
  default: (await import('../panels/locomotive/vehicle-try')).VehicleTry,
}));
const VehicleFit = lazy(async () => ({
  default: (await import('../panels/locomotive/vehicle-fit')).VehicleFit,
}));
const VehicleProof = lazy(async () => ({
  default: (await import('../panels/locomotive/vehicle-proof')).VehicleProof,
}));
const ThrottleChart = lazy(() => import('../drawings/locomotive/throttle-chart'));
const TruthView = lazy(async () => ({
  default: (await import('../drawings/locomotive/truth-view')).TruthView,
}));
const PlugView = lazy(async () => ({ default: (await import('../drawings/locomotive/plug-view')).PlugView }));
const SheetView = lazy(async () => ({
  default: (await import('../drawings/locomotive/sheet-view')).SheetView,
}));
const EndsView = lazy(async () => ({ default: (await import('../drawings/locomotive/ends-view')).EndsView }));
const ProofView = lazy(async () => ({
  default: (await import('../drawings/locomotive/proof-view')).ProofView,
}));

type PictureKind = 'ends' | 'circuit' | 'leads' | 'throttle' | 'truth' | 'sheet' | 'proof';
const pictureNames: Readonly<Record<PictureKind, string>> = {
  ends: 'Ends',
  circuit: 'Circuit',
  leads: 'Leads',
  throttle: 'Throttle',
  truth: 'Truth table',
  sheet: 'Sheet',
  proof: 'Proof',
};

/** The drawing that goes with a stage of the work, until another is chosen. */
const usualPicture: Readonly<Record<VehicleStageId, PictureKind>> = {
  brief: 'ends',
  power: 'leads',
  lamps: 'ends',
  circuit: 'circuit',
  functions: 'sheet',
  try: 'throttle',
  fit: 'ends',
  proof: 'proof',
};

interface LocomotiveProps {
  readonly layout: Layout;
  readonly jobId: string;
  readonly stage: VehicleStageId;
}

function stateOfStage(
  id: VehicleStageId,
  findings: readonly Finding[],
  judged: boolean,
): { kind: 'settled' | 'attention' | 'open'; says: string } {
  if (!judged) return { kind: 'open', says: 'not yet judged' };
  return findings.some((f) => f.severity !== 'note' && f.paths.some((p) => vehicleStageOf(p) === id))
    ? { kind: 'attention', says: 'needs attention' }
    : { kind: 'settled', says: 'settled' };
}

/** One locomotive or railcar on the bench. */
export function LocomotiveBench({ layout: open, jobId, stage }: LocomotiveProps) {
  const [preview, setPreview] = useState<{ remedy: Remedy; of: Layout } | null>(null);
  const [picture, setPicture] = useState<{ kind: PictureKind; stage: VehicleStageId } | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const apply = useLayoutStore((s) => s.apply);
  const setControls = useVehicleStore((s) => s.set);
  const navigate = useNavigate();
  const shown = preview?.of === open ? preview.remedy : null;
  const layout = shown ? patched(open, shown.patches) : open;
  const job = locomotiveIn(layout, jobId);
  const controls = useVehicleControls(jobId);
  const solved = useVehicle(layout, jobId, controls);
  const onSupply = controls.supplyId ?? undefined;
  const judged = useTask((tasks) => tasks.judgeVehicle(open, jobId, onSupply), [open, jobId, onSupply]);
  const study = useTask((tasks) => tasks.vehicleStates(layout, jobId, onSupply), [layout, jobId, onSupply]);
  const wantsProof = stage === 'proof';
  const proof = useTask(wantsProof ? (tasks) => tasks.shortestProof(layout, jobId, onSupply) : null, [
    layout,
    jobId,
    onSupply,
    wantsProof,
  ]);
  const findings = judged.answer ?? [];
  const flagged = new Set(
    findings.filter((f) => f.severity !== 'note').flatMap((f) => f.terminals.map((t) => t.part)),
  );
  const kinds = (Object.keys(pictureNames) as PictureKind[]).filter(
    (k) => (k !== 'throttle' || solved.vehicle.supply.kind === 'dc-track') && (k !== 'proof' || wantsProof),
  );
  const wanted = picture?.stage === stage ? picture.kind : usualPicture[stage];
  const kind = kinds.includes(wanted) ? wanted : 'truth';
  const functions = job.decoder ? functionsOf(job.decoder) : [];

  const onKey = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target !== event.currentTarget) return;
    const at = vehicleStages.findIndex((s) => s.id === stage);
    const nudge = (by: number): void =>
      setControls(jobId, {
        throttle: Math.min(1, Math.max(0, Math.round((throttleIn(solved.state) + by) * 100) / 100)),
      });
    const onDc = solved.vehicle.supply.kind === 'dc-track';
    const digit = /^\d$/.test(event.key) ? Number(event.key) : null;
    if (event.key === 'p' || event.key === 'P') setControls(jobId, { power: !controls.power });
    else if (event.key === 'r' || event.key === 'R')
      setControls(jobId, { direction: controls.direction === 'forward' ? 'reverse' : 'forward' });
    else if ((event.key === 'ArrowUp' || event.key === 'ArrowRight') && onDc) nudge(0.05);
    else if ((event.key === 'ArrowDown' || event.key === 'ArrowLeft') && onDc) nudge(-0.05);
    else if (digit !== null && job.decoder?.stepped?.function === digit)
      setControls(jobId, { presses: controls.presses + 1 });
    else if (digit !== null && functions.includes(digit))
      setControls(jobId, {
        functions: controls.functions.includes(digit)
          ? controls.functions.filter((f) => f !== digit)
          : [...controls.functions, digit].sort((a, b) => a - b),
      });
    else if (event.key === '[' && at > 0) void navigate(benchPath(jobId, vehicleStages[at - 1].id));
    else if (event.key === ']' && at < vehicleStages.length - 1)
      void navigate(benchPath(jobId, vehicleStages[at + 1].id));
    else if (event.key === '?') dispatchEvent(new Event('hazel-keys'));
    else return;
    event.preventDefault();
  };
  const onApply = (remedy: Remedy): void => {
    setPreview(null);
    setRefusal(apply(remedy.label, remedy.patches));
  };
  const onSet = (state: State): void =>
    setControls(jobId, {
      power: true,
      direction:
        solved.vehicle.supply.kind === 'dc-track'
          ? ownDirection(job, directionIn(state))
          : directionIn(state),
      functions: functionsOn(state),
      moving: isMoving(state),
      presses: pressesIn(state),
      switches: Object.fromEntries(
        Object.entries(state).flatMap(([id, on]) =>
          id.startsWith('switch ') && typeof on === 'boolean' ? [[id.slice('switch '.length), on]] : [],
        ),
      ),
    });
  const panel = { layout, jobId, job, solved };
  const sweep = study.answer?.sweep ?? null;
  return (
    <main className="bench locomotive-bench">
      <h1 className="visually-hidden">{job.name} on the bench</h1>
      <div style={{ position: 'relative', display: 'grid' }}>
        <VehicleStage solved={solved} controls={controls} onKey={onKey} />
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
        {vehicleStages.map((s, i) => {
          const state = stateOfStage(s.id, findings, judged.answer !== null);
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
          {stage === 'brief' && <VehicleBrief {...panel} />}
          {stage === 'power' && <VehiclePower {...panel} />}
          {stage === 'lamps' && <VehicleLamps {...panel} />}
          {stage === 'circuit' && <VehicleCircuit {...panel} />}
          {stage === 'functions' && <VehicleFunctions {...panel} />}
          {stage === 'try' && <VehicleTry {...panel} sweep={sweep} />}
          {stage === 'fit' && <VehicleFit {...panel} />}
          {stage === 'proof' && <VehicleProof {...panel} proof={proof} />}
        </Suspense>
        <section className="picture" aria-label="Drawings of the job">
          <div className="tabs" role="tablist">
            {kinds.map((k) => (
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
          <div
            className="picture-body scrolls"
            tabIndex={0}
            role="tabpanel"
            id="picture"
            aria-labelledby={`tab-${kind}`}
          >
            {solved.failure && <p className="field-refusal">{solved.failure}</p>}
            <Suspense fallback={<p className="stale-note">Opening…</p>}>
              {kind === 'ends' ? (
                <EndsView job={job} lit={controls.power ? solved.lit : null} />
              ) : kind === 'circuit' ? (
                <VehicleCircuitView solved={solved} flagged={flagged} />
              ) : kind === 'leads' ? (
                <PlugView job={job} />
              ) : kind === 'sheet' ? (
                <SheetView job={job} lit={solved.lit} />
              ) : kind === 'proof' ? (
                <ProofView job={job} proof={proof} />
              ) : kind === 'throttle' ? (
                sweep ? (
                  <ThrottleChart
                    job={job}
                    sweep={sweep}
                    throttle={throttleIn(solved.state) * (directionIn(solved.state) === 'forward' ? 1 : -1)}
                  />
                ) : (
                  <p className="stale-note">{study.failure ?? 'Being worked out…'}</p>
                )
              ) : study.answer ? (
                <TruthView job={job} table={study.answer.table} now={solved.state} onSet={onSet} />
              ) : (
                <p className="stale-note">{study.failure ?? 'Being worked out…'}</p>
              )}
            </Suspense>
          </div>
        </section>
        <FindingsPanel
          findings={findings}
          stale={judged.stale}
          failure={refusal ?? judged.failure}
          previewed={shown}
          onPreview={(remedy) => setPreview(remedy ? { remedy, of: open } : null)}
          onApply={onApply}
        />
      </div>
    </main>
  );
}
