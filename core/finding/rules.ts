import { builtIn } from './built-in';
import { cellHours } from './cell-hours';
import { cellLoad } from './cell-load';
import { darkRoom } from './dark-room';
import { deadRail } from './dead-rail';
import { doesNotFit } from './does-not-fit';
import { flicker } from './flicker';
import { inrush } from './inrush';
import { lampCurrent } from './lamp-current';
import { lampOnPartition } from './lamp-on-partition';
import { leadsAtHinge } from './leads-at-hinge';
import { lightLeak } from './light-leak';
import { limiterHeadroom } from './limiter-headroom';
import { looseLead } from './loose-lead';
import { noCurrentLimit } from './no-current-limit';
import { oneDirection } from './one-direction';
import { outOfReach } from './out-of-reach';
import { pickupDrag } from './pickup-drag';
import { regulatorDropout, regulatorHeat } from './regulator';
import { reservoirBackwards } from './reservoir-backwards';
import { reservoirRating } from './reservoir-rating';
import { resistorHeat } from './resistor-heat';
import { reverseVoltage } from './reverse-voltage';
import { showsThrough } from './shows-through';
import { stationStop } from './station-stop';
import { supplyOverload } from './supply-overload';
import { tooLowToLight } from './too-low-to-light';
import { unevenLight } from './uneven-light';
import { unevenSharing } from './uneven-sharing';
import { wireColours } from './wire-colours';
import type { Rule } from './finding';

/** Every rule. A new one is a file beside these, and a line here. */
export const rules: readonly Rule[] = [
  noCurrentLimit,
  reverseVoltage,
  reservoirBackwards,
  reservoirRating,
  lampCurrent,
  resistorHeat,
  inrush,
  supplyOverload,
  tooLowToLight,
  flicker,
  oneDirection,
  regulatorHeat,
  cellLoad,
  cellHours,
  deadRail,
  builtIn,
  looseLead,
  darkRoom,
  lampOnPartition,
  regulatorDropout,
  limiterHeadroom,
  unevenSharing,
  unevenLight,
  stationStop,
  showsThrough,
  lightLeak,
  outOfReach,
  leadsAtHinge,
  doesNotFit,
  pickupDrag,
  wireColours,
];
