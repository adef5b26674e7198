import { jobIn, type Holder } from '../../document/jobs';

/** The canopy of a layout, or of a draft of one, that has this id. @throws RangeError when there is none */
export const canopyIn = <J extends { readonly kind: string }>(layout: Holder<J>, jobId: string) =>
  jobIn<J, 'canopy' & J['kind']>(layout, jobId, 'canopy' as 'canopy' & J['kind']);
