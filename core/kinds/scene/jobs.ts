import { jobIn, type Holder } from '../../document/jobs';

/** The scene of a layout, or of a draft of one, that has this id. @throws RangeError when there is none */
export const sceneIn = <J extends { readonly kind: string }>(layout: Holder<J>, jobId: string) =>
  jobIn<J, 'scene' & J['kind']>(layout, jobId, 'scene' as 'scene' & J['kind']);
