import { dcOnDcc } from './dc-on-dcc';
import { endDark } from './end-dark';
import { fitClash } from './fit-clash';
import { headAndTailExchanged } from './head-and-tail-exchanged';
import { noTail } from './no-tail';
import { unevenRole } from './uneven-role';
import { whiteAndRed } from './white-and-red';
import type { Rule } from '../../../finding/finding';

/** What is judged of a locomotive or railcar alone: what its ends show. */
export const locomotiveRules: readonly Rule[] = [
  dcOnDcc,
  headAndTailExchanged,
  whiteAndRed,
  endDark,
  noTail,
  unevenRole,
  fitClash,
];
