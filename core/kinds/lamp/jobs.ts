import { jobIn, type Holder } from '../../document/jobs';

/** The row of lamps of a layout, or of a draft of one, that has this id. @throws RangeError when there is none */
export const lampsIn = <J extends { readonly kind: string }>(layout: Holder<J>, jobId: string) =>
  jobIn<J, 'lamp' & J['kind']>(layout, jobId, 'lamp' as 'lamp' & J['kind']);
