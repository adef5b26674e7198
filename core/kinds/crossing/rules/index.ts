import type { Rule } from '../../../finding/finding';

/** What is judged of crossings alone. */
export const crossingRules: readonly Rule[] = [];
