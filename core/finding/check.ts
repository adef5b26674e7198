import { rulesOf } from '../kinds/rules';
import { benchOf, type LaidOut } from '../study/bench';
import { atOnce } from '../quantity/steps';
import { checkBenchInSteps, judgedInSteps, type Asked, type Judged } from './judging';
import { StudyDesk } from './studies';
import type { Layout } from '../document/layout';
import type { Finding } from './finding';

/** What the rules say of a bench, before any cure is tried. */
export const judge = (desk: StudyDesk, asked: Asked = 'all', silenced?: Map<string, string>): Judged[] =>
  atOnce(judgedInSteps(desk, rulesOf(desk.bench.job.kind), asked, silenced));

/** Judges a bench; cures are tried and offered where they hold. */
export const checkBench = (desk: StudyDesk, asked: Asked = 'all'): Finding[] =>
  atOnce(checkBenchInSteps(desk, rulesOf(desk.bench.job.kind), asked));

/**
 * Lays a job out and judges it.
 * @throws RangeError when the layout has no such job or supply
 */
export const checkJob = (
  layout: Layout,
  jobId: string,
  laid: LaidOut = {},
  asked: Asked = 'all',
): Finding[] => checkBench(new StudyDesk(benchOf(layout, jobId, laid)), asked);
