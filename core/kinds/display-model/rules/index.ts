import type { Rule } from '../../../finding/finding';

/** A display model is judged by what is common to all kinds. */
export const displayModelRules: readonly Rule[] = [];
