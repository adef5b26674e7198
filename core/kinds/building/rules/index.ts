import { lampSeen } from './lamp-seen';
import { leaks } from './leaks';
import { unevenRooms } from './uneven-rooms';
import type { Rule } from '../../../finding/finding';

/** What is judged of buildings alone. */
export const buildingRules: readonly Rule[] = [leaks, unevenRooms, lampSeen];
