import { Link } from 'react-router';
import { formatQuantity } from '../../core/quantity/format';
import { supplyKind } from '../../core/supply';
import { useJudged } from '../bench/use-judged';
import { benchPath } from '../shell/paths';
import { CardState } from './card-state';
import type { AnyJob, Layout } from '../../core/document/layout';
import type { LineFace } from '../kinds/face';
import type { Readings } from '../../core/study/readings';

interface JobCardProps {
  readonly layout: Layout;
  readonly jobId: string;
  readonly job: AnyJob;
  readonly face: LineFace;
  /** Undefined while it is being solved; null where it cannot be. */
  readonly readings: Readings | null | undefined;
}

/** One job on the line: what it draws, how it is lit, whether it needs attention. */
export function JobCard({ layout, jobId, job, face, readings }: JobCardProps) {
  const judged = useJudged(layout, jobId);
  return (
    <Link className="job-card" to={benchPath(jobId)}>
      <h3>{job.name}</h3>
      <div className="facts">
        <span>{readings === undefined ? '…' : formatQuantity(readings?.supplyAmps.mean ?? 0, 'amp')}</span>
        <span>{supplyKind(layout.supplies[job.supplyId]).name}</span>
        {readings !== undefined &&
          face.facts(layout, job, readings).map((fact) => <span key={fact}>{fact}</span>)}
      </div>
      <CardState findings={judged.stale ? null : judged.findings} failure={judged.failure} />
    </Link>
  );
}
