import { useStudy, type TaskState } from '../workers/use-study';
import type { PanelProps } from '../kinds/face';
import type { ShortestProof } from '../../core/study/shortest-proof';

/** The fewest touches that prove a job as it stands on its supply. */
export const useProof = ({ layout, jobId, hand }: PanelProps): TaskState<ShortestProof | null> =>
  useStudy('shortestProof', layout, { jobId, supplyId: hand.supplyId ?? undefined }, 'slow');
