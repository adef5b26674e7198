import { recordFacts } from '../../core/kinds/records';
import { kindOf } from '../../core/kinds';
import { quantityParts } from '../../core/quantity/format';
import { COUPLING_MILLIMETRES, type TrainStudy } from '../../core/study/train';
import { usualView } from '../store/run-store';
import { TrainOnStage, trainHeight, type LineFaces } from './train/train-on-stage';
import type { SupplySum } from '../../core/feed/supply-sum';
import type { SolvedJob } from '../../core/study/solved-job';

/** Height of a track of the scene behind the one before it, in millimetres. */
const TRACK_BEHIND = 15;

interface DuskProps {
  /** What each supply gives; null while it is added up. */
  readonly sums: readonly SupplySum[] | null;
  readonly jobs: readonly SolvedJob[];
  readonly trains: readonly TrainStudy[];
  readonly faces: LineFaces;
}

/** The line as it would look at dusk: each train on a track of its own, what waits for one on the last, everything else in front. */
export function Dusk({ sums, jobs, trains, faces }: DuskProps) {
  const coupled = new Set(trains.flatMap((t) => t.cars.map((c) => c.id)));
  const alone = jobs.filter((j) => !coupled.has(j.id));
  const waits = (j: SolvedJob): boolean => recordFacts(j.job.kind).onRails && !kindOf(j.job.kind).heads;
  const rest = standing(alone.filter(waits), COUPLING_MILLIMETRES);
  const rows = [...trains.filter((t) => t.cars.length > 0), ...(rest ? [rest] : [])];
  const total = Math.max(0, ...rows.map((r) => r.lengthMillimetres));
  const tallest =
    Math.max(20, ...rows.map((r) => trainHeight(r, faces))) + TRACK_BEHIND * Math.max(0, rows.length - 1);
  const width = Math.max(total * 1.08, tallest * 7.8);
  // Taller than the room there is: what does not fit is sky, never a coach.
  const height = Math.max(tallest * 3, width * 0.36);
  const left = total / 2 - width / 2;
  return (
    <section className="dusk" aria-label="The line at dusk">
      <svg
        viewBox={`${left} ${-height * 0.78} ${width} ${height}`}
        preserveAspectRatio="xMidYMax slice"
        role="img"
        aria-label={`${rows.map((r) => `${r.train.name}: ${r.cars.map((c) => c.job.name).join(', ')}`).join('; ')} on the line at dusk, lights as bright as solved`}
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
                <TrainOnStage study={row} view={usualView} faces={faces} />
              </g>
            </g>
          );
        })}
        <InFront
          jobs={alone.filter((j) => !waits(j))}
          faces={faces}
          left={left}
          width={width}
          below={rows.length > 0 ? height * 0.19 : 0}
        />
      </svg>
      <dl className="totals">
        {(sums ?? []).map(({ supplyId, name, amps }) => {
          const { number, symbol } = quantityParts(amps, 'amp');
          return (
            <div key={supplyId}>
              <dt>{name}</dt>
              <dd>
                {number} <small>{symbol}</small>
              </dd>
            </div>
          );
        })}
      </dl>
    </section>
  );
}

interface InFrontProps {
  readonly jobs: readonly SolvedJob[];
  readonly faces: LineFaces;
  readonly left: number;
  readonly width: number;
  /** How far below the trains it stands. */
  readonly below: number;
}

/** What stands in no train, side by side as far as there is room; what is on no rails no higher than the trains behind. */
function InFront({ jobs, faces, left, width, below }: InFrontProps) {
  if (jobs.length === 0) return null;
  const gap = width * 0.07;
  const placed = jobs.flatMap(({ id, job, readings }) => {
    const face = faces.get(job.kind);
    if (!face) return [];
    const most = recordFacts(job.kind).onRails || below === 0 ? 1 : below / face.heights(job).top;
    const scale = Math.min(1, most);
    return [{ id, job, readings, face, scale, length: kindOf(job.kind).lengthMillimetres(job) * scale }];
  });
  const total = placed.reduce((sum, p) => sum + p.length + gap, -gap);
  const scale = Math.min(1, (width * 0.9) / total);
  const starts = placed.map((_, i) => placed.slice(0, i).reduce((sum, p) => sum + p.length + gap, 0));
  return (
    <g transform={`translate(${left + (width - total * scale) / 2} ${below})`}>
      <rect x={-width} y={0} width={3 * width} height={1} fill="#8f8577" />
      <rect x={-width} y={1} width={3 * width} height={1} fill="#40403f" />
      <g transform={`scale(${scale})`}>
        {placed.map(({ id, job, readings, face: { OnLine }, scale: own }, i) => (
          <g key={id} transform={`translate(${starts[i]} 0) scale(${own})`}>
            <OnLine job={job} readings={readings} view={usualView} turned={false} />
          </g>
        ))}
      </g>
    </g>
  );
}

/** Jobs stood one behind the other, so far apart; null when there are none. */
function standing(jobs: readonly SolvedJob[], apart: number): TrainStudy | null {
  if (jobs.length === 0) return null;
  let start = 0;
  const cars = jobs.map((solved) => {
    const lengthMillimetres = kindOf(solved.job.kind).lengthMillimetres(solved.job);
    const startMillimetres = start;
    start += lengthMillimetres + apart;
    return {
      ...solved,
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
    lengthMillimetres: start - apart,
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
