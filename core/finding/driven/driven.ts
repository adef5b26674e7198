import { isDriven, type Driven } from '../../document/aspect-record';
import type { DocumentPath } from '../../assembly/assembly';
import type { Layout } from '../../document/layout';
import type { Bench } from '../../study/bench';
import type { Draft } from 'immer';

/** The aspects of a job, where it has some. */
export const drivenIn = ({ job }: Pick<Bench, 'job'>): Driven | null => (isDriven(job) ? job : null);
/** Whether a job shows aspects. */
export const showsAspects = (bench: Bench): boolean => drivenIn(bench) !== null;
/** A job of a draft as what shows aspects. */
export const draftOf = (draft: Draft<Layout>, jobId: string): Draft<Driven> =>
  draft.jobs[jobId] as unknown as Draft<Driven>;
/** Where an aspect of a job stands in the document. */
export const aspectPath = (jobId: string, id: string): DocumentPath => ['jobs', jobId, 'aspects', id];
/** Where no distance is written it is looked at from an arm's length. */
const VIEW_METRES = 1;
/** From where a job is looked at, in metres. */
export const viewOf = ({ job }: Bench): number =>
  Object.values(job).flatMap((part) =>
    typeof part === 'object' && part !== null && 'viewMetres' in part && typeof part.viewMetres === 'number'
      ? [part.viewMetres]
      : [],
  )[0] ?? VIEW_METRES;
