import { headSize } from './head-size';
import { mastBends } from './mast-bends';
import type { Rule } from '../../../finding/finding';

/** What is judged of rows of lamps alone. */
export const lampRules: readonly Rule[] = [headSize, mastBends];
