import { isMoving, type Moving } from '../../document/moving-record';
import type { Layout } from '../../document/layout';
import { movingStudy, type MovingStudy } from '../../study/moving-study';
import type { Bench } from '../../study/bench';
import type { TruthRow } from '../../study/truth-table';
import type { Draft } from 'immer';

/** Whether the light of a job moves by a time line, and whether it has a string. */
export const moves = ({ job }: Bench): boolean => isMoving(job);
export const hasString = ({ job }: Bench): boolean => isMoving(job) && job.string !== null;

/** What moves, of a job of which this is known. */
export const movingOf = ({ job }: Pick<Bench, 'job'>): Moving => job as unknown as Moving;
/** A job of a draft as what moves. */
export const draftOf = (draft: Draft<Layout>, jobId: string): Draft<Moving> =>
  draft.jobs[jobId] as unknown as Draft<Moving>;

/** "12.4 s", for a moment of a time line. */
export const momentWords = (milliseconds: number): string => `${(milliseconds / 1000).toFixed(1)} s`;

const known = new WeakMap<Bench, MovingStudy>();

/**
 * The study of a scene, made once for a bench. It comes with these rules, not with the studies of every
 * job: nothing that does not move fetches it.
 * @throws CircuitError when its string cannot be solved
 */
export function studyOf(bench: Bench, highest: readonly TruthRow[]): MovingStudy {
  let study = known.get(bench);
  if (!study) known.set(bench, (study = movingStudy(bench, highest)!));
  return study;
}
