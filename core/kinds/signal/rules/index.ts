import type { Rule } from '../../../finding/finding';

/** What is judged of signals alone. */
export const signalRules: readonly Rule[] = [];
