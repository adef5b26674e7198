import type { WholeRule } from '../judge-whole';
import type { Layout } from '../../document/layout';
import type { AllAtOnce } from '../../study/all-at-once';

/** What rules about supplies that several jobs share are told. */
export interface SharedStudy {
  readonly layout: Layout;
  readonly shared: readonly AllAtOnce[];
}

/** One rule about what jobs share: one file a rule, listed in `index.ts`. */
export type SupplyRule = WholeRule<SharedStudy>;
