import { expose } from 'comlink';
import { checkJob } from '../../core/finding/check';
import { groupLongLifeAmps } from '../../core/finding/remedy';
import { benchOf } from '../../core/study/bench';
import { powerCutStudy, type PowerCutStudy } from '../../core/study/power-cut';
import { proposeResistor, type ResistorProposal } from '../../core/study/proposal';
import { steadyStudy } from '../../core/study/steady';
import type { Pace } from '../../core/finding/check';
import type { Finding } from '../../core/finding/finding';
import type { Layout } from '../../core/document/layout';

/** What runs beside the interface: everything that takes longer than a frame. */
const tasks = {
  judge(layout: Layout, jobId: string, pace: Pace): Finding[] {
    return checkJob(layout, jobId, [], pace);
  },
  powerCut(layout: Layout, jobId: string): PowerCutStudy {
    const bench = benchOf(layout, jobId);
    return powerCutStudy(bench, steadyStudy(bench));
  },
  propose(layout: Layout, jobId: string, groupId: string): ResistorProposal | null {
    return proposeResistor(layout, jobId, groupId, groupLongLifeAmps(layout, jobId, groupId));
  },
};

export type StudyTasks = typeof tasks;
expose(tasks);
