import { jobIn, jobsOf, type Holder } from '../../document/jobs';

/** The coach of a layout, or of a draft of one, that has this id. @throws RangeError when there is none */
export const coachIn = <J extends { readonly kind: string }>(layout: Holder<J>, jobId: string) =>
  jobIn<J, 'coach' & J['kind']>(layout, jobId, 'coach' as 'coach' & J['kind']);

/** The coaches of a layout in the order the person put them. */
export const coachesOf = <J extends { readonly kind: string; readonly order: number }>(layout: Holder<J>) =>
  jobsOf<J, 'coach' & J['kind']>(layout, 'coach' as 'coach' & J['kind']);
