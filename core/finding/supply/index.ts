import { allAtOnce } from '../../study/all-at-once';
import { judgeWhole } from '../judge-whole';
import { sharedOverload } from './shared-overload';
import type { Finding } from '../finding';
import type { Layout } from '../../document/layout';
import type { SupplyRule } from './supply-rule';

/** Every rule about supplies that several jobs share. A new one is a file beside these, and a line here. */
export const supplyRules: readonly SupplyRule[] = [sharedOverload];

/** Judges what jobs share; cures are tried and offered where they hold. */
export const judgeShared = (layout: Layout): Finding[] =>
  judgeWhole(layout, {
    rules: supplyRules,
    studyOf: (of) => ({ layout: of, shared: allAtOnce(of) }),
  });
