import { jobIn, type Holder } from '../../document/jobs';

/** The crossing of a layout, or of a draft of one, that has this id. @throws RangeError when there is none */
export const crossingIn = <J extends { readonly kind: string }>(layout: Holder<J>, jobId: string) =>
  jobIn<J, 'crossing' & J['kind']>(layout, jobId, 'crossing' as 'crossing' & J['kind']);
