import { drivenRules } from '../../../finding/driven';
import { movingRules } from '../../../finding/moving';
import type { Rule } from '../../../finding/finding';

/** What is judged of scenes: what is of all that shows aspects, and of all that moves. */
export const sceneRules: readonly Rule[] = [...drivenRules, ...movingRules];
