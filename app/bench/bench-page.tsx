import { useParams } from 'react-router';
import { useFace } from '../kinds/use-fetched';
import { idOf } from '../shell/paths';
import { useLayoutStore } from '../store/layout-store';
import { NotFound } from '../pages/not-found';
import { BenchOf } from './bench';
import type { Layout } from '../../core/document/layout';

/** One job on the bench. */
export function BenchPage() {
  const { jobId: part, stage } = useParams();
  const jobId = idOf(part);
  const layout = useLayoutStore((s) => s.layout);
  if (!layout || jobId === undefined || !Object.hasOwn(layout.jobs, jobId)) return <NotFound />;
  return <OfItsKind key={jobId} layout={layout} jobId={jobId} stage={stage} />;
}

interface OfItsKindProps {
  readonly layout: Layout;
  readonly jobId: string;
  readonly stage: string | undefined;
}

function OfItsKind({ layout, jobId, stage }: OfItsKindProps) {
  const face = useFace(layout.jobs[jobId].kind);
  if (!face) return <p className="stale-note">Opening…</p>;
  if (stage !== undefined && !face.stages.some((s) => s.id === stage)) return <NotFound />;
  return <BenchOf face={face} layout={layout} jobId={jobId} stage={stage ?? face.opensAt} />;
}
