import { Button } from 'antd';
import { useMemo } from 'react';
import { Link, useNavigate } from 'react-router';
import { freeId } from '../../core/document/usual-supply';
import { inOrder } from '../../core/document/in-order';
import { COUPLING_MILLIMETRES, trainStudy, type TrainStudy } from '../../core/study/train';
import { formatQuantity, quantityParts } from '../../core/quantity/format';
import { nearestWord } from '../../core/light/wanted';
import { supplyKind } from '../../core/supply';
import { TrainOnStage, trainHeight } from '../drawings/stage/train-on-stage';
import { NewCoach } from '../panels/new-coach';
import { useLayoutStore } from '../store/layout-store';
import { usualView } from '../store/run-store';
import { useLine, type LineJob } from '../store/use-line';
import { useTask } from '../workers/use-task';
import { solvedJob } from '../../core/study/solved-job';
import { type Readings } from '../../core/study/readings';
import { SideView } from '../drawings/locomotive/side-view';
import { lampGlows } from '../drawings/locomotive/lamp-glow';
import { benchPath, trainPath } from '../shell/paths';
import type { LocomotiveRecord } from '../../core/kinds/locomotive/record';
import { shownAt } from '../../core/kinds/locomotive/shown';
import { coachesOf } from '../../core/kinds/coach/jobs';
import { locomotiveIn, locomotivesOf } from '../../core/kinds/locomotive/jobs';
import type { Finding } from '../../core/finding/finding';
import type { Layout } from '../../core/document/layout';
import './line.css';

/** Height of a track of the dusk scene behind the one before it, in millimetres. */
const TRACK_BEHIND = 15;

/** The layout at a glance: everything lit as it would look at dusk, what it draws, what needs attention. */
export function LinePage() {
  const layout = useLayoutStore((s) => s.layout)!;
  const edit = useLayoutStore((s) => s.edit);
  const line = useLine(layout);
  const navigate = useNavigate();
  const vehicles = useVehicles(layout);
  const trains = useMemo(() => inOrder(layout.trains).map((t) => trainStudy(layout, t.id)), [layout]);
  const coupled = new Set(trains.flatMap((t) => t.cars.map((c) => c.id)));
  const alone = line.filter((j) => !coupled.has(j.id));
  if (Object.keys(layout.jobs).length === 0) {
    return (
      <main className="first-coach">
        <h1>Light the first coach</h1>
        <p>
          Say what it is and what feeds it. You get a circuit that is solved, and can change everything after.
        </p>
        <NewCoach layout={layout} first />
        <p>
          Or begin with <Link to="/new-locomotive">a locomotive or railcar</Link>.
        </p>
      </main>
    );
  }
  return (
    <main className="line-page">
      <h1 className="visually-hidden">{layout.name}, the line</h1>
      {line.length > 0 && (
        <Dusk layout={layout} line={line} trains={trains} alone={alone} vehicles={vehicles} />
      )}
      <section className="jobs">
        <div className="jobs-head">
          <h2>Trains</h2>
          <Button onClick={() => void navigate(trainPath(newTrain(layout, edit)))}>
            {alone.length > 0 ? 'Make a train of the rest' : 'Make another train'}
          </Button>
        </div>
        {trains.length > 0 && (
          <ul className="job-list">
            {trains.map((t) => (
              <li key={t.trainId}>
                <TrainCard layout={layout} study={t} />
              </li>
            ))}
          </ul>
        )}
        <div className="jobs-head">
          <h2>Locomotives and railcars</h2>
          <Button type="primary" onClick={() => void navigate('/new-locomotive')}>
            Light a locomotive
          </Button>
        </div>
        <ul className="job-list">
          {vehicles.map((v) => (
            <li key={v.id}>
              <VehicleCard layout={layout} line={v} />
            </li>
          ))}
        </ul>
        <div className="jobs-head">
          <h2>Coaches</h2>
          <Button type="primary" onClick={() => void navigate('/new')}>
            Light another coach
          </Button>
        </div>
        <ul className="job-list">
          {line.map((j) => (
            <li key={j.id}>
              <JobCard layout={layout} line={j} />
            </li>
          ))}
        </ul>
      </section>
    </main>
  );
}

/** A coach more. */
export function NewCoachPage() {
  const layout = useLayoutStore((s) => s.layout)!;
  return (
    <main className="first-coach">
      <h1>Light a coach</h1>
      <p>
        Say what it is and what feeds it. You get a circuit that is solved, and can change everything after.
      </p>
      <NewCoach layout={layout} />
    </main>
  );
}

function attention(findings: readonly Finding[] | null): { className: string; text: string } {
  if (!findings) return { className: 'badge wait', text: 'looking…' };
  const stops = findings.filter((f) => f.severity === 'stop').length;
  const minds = findings.filter((f) => f.severity === 'mind').length;
  if (stops > 0) return { className: 'badge stop', text: `${stops} to stop for` };
  if (minds > 0) return { className: 'badge mind', text: `${minds} to mind` };
  return { className: 'badge', text: 'nothing needs attention' };
}

function JobCard({ layout, line }: { readonly layout: Layout; readonly line: LineJob }) {
  const { id, job, steady } = line;
  const judged = useTask((tasks) => tasks.judge(layout, id, 'all'), [layout, id]);
  const state = attention(judged.stale ? null : judged.answer);
  const first = judged.answer?.[0];
  const supply = layout.supplies[job.supplyId];
  const count = Object.values(job.lamps).filter((l) => l.role === 'room').length;
  const unit = steady?.dies[0]?.led?.form === 'strip' ? 'strip unit' : 'lamp';
  return (
    <Link className="job-card" to={benchPath(id)}>
      <h3>{job.name}</h3>
      <div className="facts">
        <span>{formatQuantity(steady?.supplyAmps.mean ?? 0, 'amp')}</span>
        <span>{supplyKind(supply).name}</span>
        <span>
          {count} {count === 1 ? unit : `${unit}s`},{' '}
          {line.light && line.light.litLux > 0 ? nearestWord(line.light.litLux).name.toLowerCase() : 'dark'}
        </span>
      </div>
      <p>
        <span className={state.className}>{state.text}</span>
      </p>
      {first && !judged.stale && <p>{first.title}</p>}
      {judged.failure && <p className="field-refusal">{judged.failure}</p>}
    </Link>
  );
}

function VehicleCard({ layout, line }: { readonly layout: Layout; readonly line: LineVehicle }) {
  const jobId = line.id;
  const judged = useTask((tasks) => tasks.judgeVehicle(layout, jobId), [layout, jobId]);
  const { job, lit } = line;
  const shown = shownAt(job, lit);
  const amps = lit?.supplyAmps.mean ?? 0;
  const state = attention(judged.stale ? null : judged.answer);
  const first = judged.answer?.[0];
  return (
    <Link className="job-card" to={benchPath(jobId)}>
      <h3>{job.name}</h3>
      <div className="facts">
        <span>{formatQuantity(amps, 'amp')}</span>
        <span>
          {supplyKind(layout.supplies[job.supplyId]).name}
          {job.decoder ? ', decoder' : ''}
        </span>
        <span>
          A {shown.A}, B {shown.B}
        </span>
      </div>
      <p>
        <span className={state.className}>{state.text}</span>
      </p>
      {first && !judged.stale && <p>{first.title}</p>}
      {judged.failure && <p className="field-refusal">{judged.failure}</p>}
    </Link>
  );
}

type Edit = ReturnType<typeof useLayoutStore.getState>['edit'];

/** Couples the coaches that are in no train into a new one. @returns its id */
function newTrain(layout: Layout, edit: Edit): string {
  const id = freeId(layout.trains, 'train');
  const coupled = new Set(
    Object.values(layout.trains).flatMap((t) => Object.values(t.cars).map((c) => c.jobId)),
  );
  const rest = coachesOf(layout).filter((j) => !coupled.has(j.id));
  edit('New train', (draft) => {
    draft.trains[id] = {
      order: 1 + Math.max(0, ...Object.values(layout.trains).map((t) => t.order)),
      name: `Train ${Object.keys(layout.trains).length + 1}`,
      note: '',
      staggerSeconds: 0,
      cars: Object.fromEntries(
        rest.map((j, i) => [`car-${i + 1}`, { order: i + 1, jobId: j.id, turned: false }]),
      ),
    };
  });
  return id;
}

function TrainCard({ layout, study }: { readonly layout: Layout; readonly study: TrainStudy }) {
  const judged = useTask((tasks) => tasks.judgeTrain(layout, study.trainId), [layout, study.trainId]);
  const state = attention(judged.stale ? null : judged.answer);
  const first = judged.answer?.[0];
  const track = study.draws.filter((d) => d.limitAmps !== null);
  const amps = track.reduce((sum, d) => sum + d.amps, 0);
  return (
    <Link className="job-card" to={trainPath(study.trainId)}>
      <h3>{study.train.name}</h3>
      <div className="facts">
        <span>{formatQuantity(amps, 'amp')} from the track</span>
        <span>
          {study.cars.length} {study.cars.length === 1 ? 'vehicle' : 'vehicles'}
        </span>
        <span>{formatQuantity(study.lengthMillimetres, 'millimetre')}</span>
      </div>
      <p>
        <span className={state.className}>{state.text}</span>
      </p>
      {first && !judged.stale && <p>{first.title}</p>}
    </Link>
  );
}

interface DuskProps {
  readonly layout: Layout;
  readonly line: readonly LineJob[];
  readonly trains: readonly TrainStudy[];
  readonly alone: readonly LineJob[];
  readonly vehicles: readonly LineVehicle[];
}

/** The trains as they would look at dusk, each on a track of its own; coaches in no train stand on the last. */
function Dusk({ layout, line, trains, alone, vehicles }: DuskProps) {
  const coupled = new Set(trains.flatMap((t) => t.cars.map((c) => c.id)));
  const rest = standing(alone);
  const rows = [...trains.filter((t) => t.cars.length > 0), ...(rest ? [rest] : [])];
  const total = Math.max(...rows.map((r) => r.lengthMillimetres));
  const tallest = Math.max(...rows.map(trainHeight)) + TRACK_BEHIND * (rows.length - 1);
  const width = Math.max(total * 1.08, tallest * 7.8);
  // Taller than the room there is: what does not fit is sky, never a coach.
  const height = Math.max(tallest * 3, width * 0.36);
  const left = total / 2 - width / 2;
  const bySupply = new Map<string, number>();
  for (const { job, steady } of line)
    bySupply.set(job.supplyId, (bySupply.get(job.supplyId) ?? 0) + (steady?.supplyAmps.mean ?? 0));
  for (const { job, lit } of vehicles)
    bySupply.set(job.supplyId, (bySupply.get(job.supplyId) ?? 0) + (lit?.supplyAmps.mean ?? 0));
  return (
    <section className="dusk" aria-label="The line at dusk">
      <svg
        viewBox={`${left} ${-height * 0.78} ${width} ${height}`}
        preserveAspectRatio="xMidYMax slice"
        role="img"
        aria-label={`${rows.map((r) => `${r.train.name}: ${r.cars.map((c) => c.job.name).join(', ')}`).join('; ')} on the line at dusk, windows as bright as solved`}
      >
        <Harbour left={left} width={width} />
        {/* The last is drawn first: it stands behind, one track higher each. */}
        {[...rows].reverse().map((row, k) => {
          const up = TRACK_BEHIND * (rows.length - 1 - k);
          return (
            <g key={row.trainId} transform={`translate(0 ${-up})`}>
              <rect x={left} y={0} width={width} height={height} fill="#151b1c" />
              <rect x={left} y={0} width={width} height={1} fill="#8f8577" />
              <rect x={left} y={1} width={width} height={1} fill="#40403f" />
              <g transform={`translate(${(total - row.lengthMillimetres) / 2} 0)`}>
                <TrainOnStage study={row} view={usualView} />
              </g>
            </g>
          );
        })}
        <Vehicles
          vehicles={vehicles.filter((v) => !coupled.has(v.id))}
          left={left}
          width={width}
          below={height * 0.19}
        />
      </svg>
      <dl className="totals">
        {[...bySupply].map(([id, total]) => {
          const amps = quantityParts(total, 'amp');
          return (
            <div key={id}>
              <dt>{layout.supplies[id].name}</dt>
              <dd>
                {amps.number} <small>{amps.symbol}</small>
              </dd>
            </div>
          );
        })}
      </dl>
    </section>
  );
}

/** A locomotive as solved with the controls it is made for; null where it cannot be. */
interface LineVehicle {
  readonly id: string;
  readonly job: LocomotiveRecord;
  readonly lit: Readings | null;
}

/** Every locomotive of a layout, solved anew only when something of it changes. */
function useVehicles(layout: Layout): readonly LineVehicle[] {
  return useMemo(
    () =>
      locomotivesOf(layout).map(({ id }) => ({
        id,
        job: locomotiveIn(layout, id),
        lit: solvedJob(layout, id).readings,
      })),
    [layout],
  );
}

interface VehiclesProps {
  readonly vehicles: readonly LineVehicle[];
  readonly left: number;
  readonly width: number;
  /** How far below the trains their track lies. */
  readonly below: number;
}

/** The locomotives on the track in front, side by side as far as there is room. */
function Vehicles({ vehicles, left, width, below }: VehiclesProps) {
  if (vehicles.length === 0) return null;
  const gap = width * 0.07;
  const total = vehicles.reduce((sum, v) => sum + v.job.body.lengthMillimetres + gap, -gap);
  const scale = Math.min(1, (width * 0.9) / total);
  const places = vehicles.map((_, i) =>
    vehicles.slice(0, i).reduce((sum, v) => sum + v.job.body.lengthMillimetres + gap, 0),
  );
  return (
    <g transform={`translate(${left + (width - total * scale) / 2} ${below})`}>
      <rect x={-width} y={0} width={3 * width} height={1} fill="#8f8577" />
      <rect x={-width} y={1} width={3 * width} height={1} fill="#40403f" />
      <g transform={`scale(${scale})`}>
        {vehicles.map(({ id, job, lit }, i) => (
          <g key={id} transform={`translate(${places[i]} 0)`}>
            <SideView job={job} glows={lampGlows(lit, () => 1)} />
          </g>
        ))}
      </g>
    </g>
  );
}

/** Coaches in no train, stood one behind the other. */
function standing(alone: readonly LineJob[]): TrainStudy | null {
  if (alone.length === 0) return null;
  let start = 0;
  const cars = alone.map((solved) => {
    const startMillimetres = start;
    start += solved.job.dimensions.lengthMillimetres + COUPLING_MILLIMETRES;
    const { lengthMillimetres } = solved.job.dimensions;
    return {
      id: solved.id,
      job: solved.job,
      bench: null,
      readings: solved.steady,
      carId: solved.id,
      turned: false,
      startMillimetres,
      lengthMillimetres,
      heads: false,
      look: null,
    };
  });
  return {
    trainId: 'standing',
    train: { order: 0, name: 'Standing by', note: '', cars: {}, staggerSeconds: 0 },
    cars,
    lengthMillimetres: start - COUPLING_MILLIMETRES,
    draws: [],
  };
}

/** The far shore and the water: scenery, nothing computed. */
function Harbour({ left, width }: { readonly left: number; readonly width: number }) {
  const hills = `M${left} -14q${width * 0.14} -16 ${width * 0.3} -5t${width * 0.26} -4t${width * 0.24} 3t${width * 0.2} -6V0H${left}Z`;
  return (
    <g>
      <path d={hills} fill="#2a2c31" opacity={0.75} />
      <rect x={left} y={-9} width={width} height={9} fill="#39424a" />
      <path
        d={`M${left + width * 0.08} -5h30M${left + width * 0.3} -3h44M${left + width * 0.62} -6h36M${left + width * 0.8} -3h40`}
        stroke="#c79a68"
        strokeWidth={0.4}
        opacity={0.6}
      />
    </g>
  );
}
