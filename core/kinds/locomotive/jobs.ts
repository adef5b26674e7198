import { jobIn, jobsOf, type Holder } from '../../document/jobs';

/** The locomotive or railcar of a layout, or of a draft of one, that has this id. @throws RangeError when there is none */
export const locomotiveIn = <J extends { readonly kind: string }>(layout: Holder<J>, jobId: string) =>
  jobIn<J, 'locomotive' & J['kind']>(layout, jobId, 'locomotive' as 'locomotive' & J['kind']);

/** The locomotives and railcars of a layout in the order the person put them. */
export const locomotivesOf = <J extends { readonly kind: string; readonly order: number }>(
  layout: Holder<J>,
) => jobsOf<J, 'locomotive' & J['kind']>(layout, 'locomotive' as 'locomotive' & J['kind']);
