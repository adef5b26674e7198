import { costOfRuns } from '../../feed/cost';
import { feedStudy } from '../../feed/study';
import { judgeWhole } from '../judge-whole';
import { feedRules } from '.';
import type { Finding } from '../finding';
import type { Layout } from '../../document/layout';

/** Judges the network of a layout; cures are tried, and offered with what they cost where they hold. */
export const judgeNetwork = (layout: Layout): Finding[] =>
  judgeWhole(layout, {
    rules: feedRules,
    studyOf: feedStudy,
    cost: (of) => costOfRuns(of, Object.keys(of.network.runs)),
  });
