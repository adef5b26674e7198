import { Link } from 'react-router';
import { inOrder, type Layout } from '../../core/document/layout';
import { formatQuantity, quantityParts } from '../../core/quantity/format';
import { nearestWord } from '../../core/light/wanted';
import { CoachOnStage } from '../drawings/stage/coach-on-stage';
import { coachShape } from '../drawings/stage/coach-shape';
import { useLayoutStore } from '../store/layout-store';
import { useSolved, type Solved } from '../store/use-solved';
import { useTask } from '../workers/use-task';
import type { Finding } from '../../core/finding/finding';
import './line.css';

/** The layout at a glance: everything lit as it would look at dusk, what it draws, what needs attention. */
export function LinePage() {
  const layout = useLayoutStore((s) => s.layout)!;
  const jobs = inOrder(layout.jobs);
  if (jobs.length === 0) {
    return (
      <main className="message-page">
        <h1>Nothing is lit yet</h1>
        <p>This layout has no jobs. Import one that has, or take the last change back with Ctrl Z.</p>
      </main>
    );
  }
  return <LineOf layout={layout} jobIds={jobs.map((j) => j.id)} />;
}

function LineOf({ layout, jobIds }: { readonly layout: Layout; readonly jobIds: readonly string[] }) {
  return (
    <main className="line-page">
      <h1 className="visually-hidden">{layout.name}, the line</h1>
      {/* One coach for now: trains come with the rake. */}
      <Dusk layout={layout} jobId={jobIds[0]} />
      <section className="jobs">
        <h2>On the line</h2>
        <ul className="job-list">
          {jobIds.map((id) => (
            <li key={id}>
              <JobCard layout={layout} jobId={id} />
            </li>
          ))}
        </ul>
      </section>
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

function JobCard({ layout, jobId }: { readonly layout: Layout; readonly jobId: string }) {
  const job = layout.jobs[jobId];
  const solved = useSolved(layout, jobId);
  const judged = useTask((tasks) => tasks.judge(layout, jobId, 'all'), [layout, jobId]);
  const state = attention(judged.stale ? null : judged.answer);
  const first = judged.answer?.[0];
  return (
    <Link className="job-card" to={`/bench/${jobId}`}>
      <h3>{job.name}</h3>
      <div className="facts">
        <span>{formatQuantity(solved.steady?.supplyAmps.mean ?? 0, 'amp')}</span>
        <span>
          {Object.keys(job.lamps).length} lamps,{' '}
          {solved.meanLux > 0 ? nearestWord(solved.meanLux).name.toLowerCase() : 'dark'}
        </span>
      </div>
      <p>
        <span className={state.className}>{state.text}</span>
      </p>
      {first && !judged.stale && <p>{first.title}</p>}
      {solved.failure && <p className="field-refusal">{solved.failure}</p>}
    </Link>
  );
}

function Dusk({ layout, jobId }: { readonly layout: Layout; readonly jobId: string }) {
  const job = layout.jobs[jobId];
  const solved: Solved = useSolved(layout, jobId);
  const shape = coachShape(job.dimensions);
  const amps = quantityParts(solved.steady?.supplyAmps.mean ?? 0, 'amp');
  const height = shape.roof * 3;
  const width = Math.max(shape.length * 1.9, height * 2.6);
  const left = shape.length / 2 - width / 2;
  return (
    <section className="dusk" aria-label="The line at dusk">
      <svg
        viewBox={`${left} ${-height * 0.78} ${width} ${height}`}
        preserveAspectRatio="xMidYMax slice"
        role="img"
        aria-label={`${job.name} on the line at dusk, its windows as bright as solved`}
      >
        <Harbour left={left} width={width} />
        <rect x={left} y={0} width={width} height={height} fill="#151b1c" />
        <rect x={left} y={0} width={width} height={1} fill="#8f8577" />
        <rect x={left} y={1} width={width} height={1} fill="#40403f" />
        <CoachOnStage job={job} windows={solved.windows} light={(l) => l} numbers={false} />
      </svg>
      <dl className="totals">
        <div>
          <dt>drawn by all that is lit</dt>
          <dd>
            {amps.number} <small>{amps.symbol}</small>
          </dd>
        </div>
        <div>
          <dt>track</dt>
          <dd>
            {layout.supplies[job.supplyId].amplitudeVolts} <small>V DCC</small>
          </dd>
        </div>
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
