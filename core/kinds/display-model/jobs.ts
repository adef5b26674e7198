import { jobIn, type Holder } from '../../document/jobs';

/** The display model of a layout, or of a draft of one, that has this id. @throws RangeError when there is none */
export const displayModelIn = <J extends { readonly kind: string }>(layout: Holder<J>, jobId: string) =>
  jobIn<J, 'display-model' & J['kind']>(layout, jobId, 'display-model' as 'display-model' & J['kind']);
