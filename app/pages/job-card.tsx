import { memo, useMemo } from 'react';
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

/** One job on the line: what it draws, how it is lit, whether it needs attention. Of forty, one that is solved draws itself alone. */
export const JobCard = memo(function JobCard({ layout, jobId, job, face, readings }: JobCardProps) {
  const judged = useJudged(layout, jobId);
  const facts = useMemo(
    () => (readings === undefined ? [] : face.facts(layout, job, readings)),
    [face, layout, job, readings],
  );
  return (
    <Link className="job-card" to={benchPath(jobId)}>
      <h3>{job.name}</h3>
      <div className="facts">
        <span>{drawn(readings)}</span>
        <span>{supplyKind(layout.supplies[job.supplyId]).name}</span>
        {facts.map((fact) => (
          <span key={fact}>{fact}</span>
        ))}
      </div>
      <CardState findings={judged.stale ? null : judged.findings} failure={judged.failure} />
    </Link>
  );
});

const drawn = (readings: JobCardProps['readings']): string =>
  readings === undefined ? '…' : readings === null ? '–' : formatQuantity(readings.supplyAmps.mean, 'amp');
