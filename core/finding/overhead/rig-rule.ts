import type { RigStudy } from '../../overhead/study';
import type { RigRecord, RigRowRecord } from '../../document/rig-record';
import type { Layout } from '../../document/layout';
import type { Draft } from 'immer';
import type { WholeRule } from '../judge-whole';

/** What rules of a rig are told. */
export interface OfRig extends RigStudy {
  readonly layout: Layout;
  readonly rigId: string;
  readonly rig: RigRecord;
}

/** One rule about the light above the layout: it compares, and solves nothing. One file a rule, listed in `index.ts`. */
export type RigRule = WholeRule<OfRig>;

export const rigPath = (rigId: string, ...rest: (string | number)[]): (string | number)[] => [
  'rigs',
  rigId,
  ...rest,
];

/** Changes every row that is switched on. */
export const eachRow =
  (rigId: string, change: (row: Draft<RigRowRecord>) => unknown) =>
  (draft: Draft<Layout>): void => {
    for (const row of Object.values(draft.rigs[rigId].rows)) if (row.on) change(row);
  };
