import { darkRoom } from './dark-room';
import { doesNotFit } from './does-not-fit';
import { lampOnPartition } from './lamp-on-partition';
import { leadsAtHinge } from './leads-at-hinge';
import { lightLeak } from './light-leak';
import { outOfReach } from './out-of-reach';
import { showsThrough } from './shows-through';
import { stationStop } from './station-stop';
import { unevenLight } from './uneven-light';
import { wantedLight } from './wanted-light';
import type { Rule } from '../../../finding/finding';

/** What is judged of a coach alone. */
export const coachRules: readonly Rule[] = [
  darkRoom,
  lampOnPartition,
  unevenLight,
  wantedLight,
  stationStop,
  showsThrough,
  lightLeak,
  outOfReach,
  leadsAtHinge,
  doesNotFit,
];
