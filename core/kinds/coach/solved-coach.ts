import { solvedJob, type SolvedJob } from '../../study/solved-job';
import { coachLight, type CoachLight } from './light';
import { coachIn } from './jobs';
import type { Layout } from '../../document/layout';
import type { Readings } from '../../study/readings';
import type { CoachRecord } from './record';

/** A coach as solved, and how it is lit inside; null figures where it cannot be solved. */
export interface SolvedCoach {
  readonly id: string;
  readonly job: CoachRecord;
  readonly steady: Readings | null;
  readonly light: CoachLight | null;
}

const known = new WeakMap<SolvedJob, SolvedCoach>();

/** Solves a coach of a layout; one that has not changed is not solved again. */
export function solvedCoach(layout: Layout, id: string): SolvedCoach {
  const job = coachIn(layout, id);
  const solved = solvedJob(layout, id);
  let coach = known.get(solved);
  if (!coach) {
    const { readings } = solved;
    coach = { id, job, steady: readings, light: readings && coachLight(job, readings) };
    known.set(solved, coach);
  }
  return coach;
}
