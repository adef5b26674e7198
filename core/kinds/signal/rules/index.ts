import { drivenRules } from '../../../finding/driven';
import type { Rule } from '../../../finding/finding';

/** What is judged of signals: what is of all that shows aspects. */
export const signalRules: readonly Rule[] = drivenRules;
