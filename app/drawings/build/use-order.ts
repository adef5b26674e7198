import { useStudy, type TaskState } from '../../workers/use-study';
import type { Ordered } from '../../../core/build/order/order';
import type { PanelProps } from '../../kinds/face';

/** The order a job is built in, as it stands on its supply. */
export const useOrder = ({
  layout,
  jobId,
  hand,
}: Pick<PanelProps, 'layout' | 'jobId' | 'hand'>): TaskState<Ordered> =>
  useStudy('order', layout, { jobId, supplyId: hand.supplyId ?? undefined });
