import { coachLight, type CoachLight } from '../../../core/kinds/coach/light';
import type { CoachRecord } from '../../../core/kinds/coach/record';
import type { Readings } from '../../../core/study/readings';
import type { Solved } from '../../bench/solved-job';

const known = new WeakMap<Readings, { readonly job: CoachRecord; readonly light: CoachLight }>();

/** How a coach is lit inside by what was solved; null while it is not. The same moment is not reckoned twice. */
export function coachLightOf({ bench, readings }: Solved<CoachRecord>): CoachLight | null {
  if (!readings) return null;
  const before = known.get(readings);
  if (before?.job === bench.job) return before.light;
  const light = coachLight(bench.job, readings);
  known.set(readings, { job: bench.job, light });
  return light;
}
