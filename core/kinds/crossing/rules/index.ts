import { drivenRules } from '../../../finding/driven';
import type { Rule } from '../../../finding/finding';

/** What is judged of crossings: what is of all that shows aspects. */
export const crossingRules: readonly Rule[] = drivenRules;
