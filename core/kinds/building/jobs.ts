import { jobIn, type Holder } from '../../document/jobs';

/** The building of a layout, or of a draft of one, that has this id. @throws RangeError when there is none */
export const buildingIn = <J extends { readonly kind: string }>(layout: Holder<J>, jobId: string) =>
  jobIn<J, 'building' & J['kind']>(layout, jobId, 'building' as 'building' & J['kind']);
