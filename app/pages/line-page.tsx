import { Button } from 'antd';
import { Link, useNavigate } from 'react-router';
import { formatQuantity, quantityParts } from '../../core/quantity/format';
import { nearestWord } from '../../core/light/wanted';
import { supplyKind } from '../../core/supply';
import { CoachOnStage } from '../drawings/stage/coach-on-stage';
import { coachShape } from '../drawings/stage/coach-shape';
import { NewCoach } from '../panels/new-coach';
import { useLayoutStore } from '../store/layout-store';
import { usualView } from '../store/run-store';
import { useLine, type LineJob } from '../store/use-line';
import { useTask } from '../workers/use-task';
import type { Finding } from '../../core/finding/finding';
import type { Layout } from '../../core/document/layout';
import './line.css';

/** Room between two coaches of a train, in millimetres. */
const COUPLING_MILLIMETRES = 7;

/** The layout at a glance: everything lit as it would look at dusk, what it draws, what needs attention. */
export function LinePage() {
  const layout = useLayoutStore((s) => s.layout)!;
  const line = useLine(layout);
  const navigate = useNavigate();
  if (line.length === 0) {
    return (
      <main className="first-coach">
        <h1>Light the first coach</h1>
        <p>
          Say what it is and what feeds it. You get a circuit that is solved, and can change everything after.
        </p>
        <NewCoach layout={layout} first />
      </main>
    );
  }
  return (
    <main className="line-page">
      <h1 className="visually-hidden">{layout.name}, the line</h1>
      <Dusk layout={layout} line={line} />
      <section className="jobs">
        <div className="jobs-head">
          <h2>On the line</h2>
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
  const count = Object.keys(job.lamps).length;
  const unit = steady?.lamps[0]?.led.form === 'strip' ? 'strip unit' : 'lamp';
  return (
    <Link className="job-card" to={`/bench/${id}`}>
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

/** The trains as they would look at dusk. */
function Dusk({ layout, line }: { readonly layout: Layout; readonly line: readonly LineJob[] }) {
  const shapes = line.map(({ job }) => coachShape(job.dimensions));
  const starts = shapes.map((_, i) =>
    shapes.slice(0, i).reduce((sum, s) => sum + s.length + COUPLING_MILLIMETRES, 0),
  );
  const total = starts[starts.length - 1] + shapes[shapes.length - 1].length;
  const tallest = Math.max(...shapes.map((s) => s.roof));
  const width = Math.max(total * 1.08, tallest * 7.8);
  // Taller than the room there is: what does not fit is sky, never a coach.
  const height = Math.max(tallest * 3, width * 0.36);
  const left = total / 2 - width / 2;
  const bySupply = new Map<string, number>();
  for (const { job, steady } of line)
    bySupply.set(job.supplyId, (bySupply.get(job.supplyId) ?? 0) + (steady?.supplyAmps.mean ?? 0));
  return (
    <section className="dusk" aria-label="The line at dusk">
      <svg
        viewBox={`${left} ${-height * 0.78} ${width} ${height}`}
        preserveAspectRatio="xMidYMax slice"
        role="img"
        aria-label={`${line.map((l) => l.job.name).join(', ')} on the line at dusk, windows as bright as solved`}
      >
        <Harbour left={left} width={width} />
        <rect x={left} y={0} width={width} height={height} fill="#151b1c" />
        <rect x={left} y={0} width={width} height={1} fill="#8f8577" />
        <rect x={left} y={1} width={width} height={1} fill="#40403f" />
        {line.map(({ id, job, steady, light }, i) => (
          <g key={id} transform={`translate(${starts[i]} 0)`}>
            {i > 0 && (
              <rect
                x={-COUPLING_MILLIMETRES}
                y={-shapes[i].floor + 0.6}
                width={COUPLING_MILLIMETRES}
                height={1.4}
                fill="#101715"
              />
            )}
            <CoachOnStage
              job={job}
              steady={steady}
              light={light}
              view={usualView}
              shown={(l) => l}
              numbers={false}
            />
          </g>
        ))}
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
