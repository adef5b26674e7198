import { jobIn, type Holder } from '../../document/jobs';

/** The signal of a layout, or of a draft of one, that has this id. @throws RangeError when there is none */
export const signalIn = <J extends { readonly kind: string }>(layout: Holder<J>, jobId: string) =>
  jobIn<J, 'signal' & J['kind']>(layout, jobId, 'signal' as 'signal' & J['kind']);
