import { lightUpwards } from './light-upwards';
import { untwisted } from './untwisted';
import type { Rule } from '../../../finding/finding';

/** What is judged of canopies alone. */
export const canopyRules: readonly Rule[] = [lightUpwards, untwisted];
