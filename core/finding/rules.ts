import { builtIn } from './built-in';
import { bulbVolts } from './bulb-volts';
import { cellFades } from './cell-fades';
import { cellHours } from './cell-hours';
import { cellLoad } from './cell-load';
import { darkGap } from './dark-gap';
import { deadRail } from './dead-rail';
import { decoderOverload } from './decoder-overload';
import { doesNotPass } from './does-not-pass';
import { faint } from './faint';
import { firstShow } from './first-show';
import { flicker } from './flicker';
import { fuseBlows } from './fuse-blows';
import { glare } from './glare';
import { inrush } from './inrush';
import { lampCurrent } from './lamp-current';
import { limiterHeadroom } from './limiter-headroom';
import { boardLimits } from './board-limits';
import { decoderPlug } from './decoder-plug';
import { logicLevel } from './logic-level';
import { looseLead } from './loose-lead';
import { neverLit } from './never-lit';
import { noAnswer } from './no-answer';
import { noCurrentLimit } from './no-current-limit';
import { notInMapping } from './not-in-mapping';
import { oddString } from './odd-string';
import { oneDirection } from './one-direction';
import { outputOverload } from './output-overload';
import { pickupDrag } from './pickup-drag';
import { plugMates } from './plug-mates';
import { regulatorDropout, regulatorHeat } from './regulator';
import { reservoirBackwards } from './reservoir-backwards';
import { reservoirRating } from './reservoir-rating';
import { resistorHeat } from './resistor-heat';
import { reverseVoltage } from './reverse-voltage';
import { secondColourDark } from './second-colour-dark';
import { showHours } from './show-hours';
import { supplyOverload } from './supply-overload';
import { socketHeat, trimmerDead } from './trimmer-travel';
import { ultraviolet } from './ultraviolet';
import { unevenSharing } from './uneven-sharing';
import { unlikeSharing } from './unlike-sharing';
import { wireColours } from './wire-colours';
import { wireNotSold } from './wire-not-sold';
import type { Rule } from './finding';

/** Every rule that is about parts and supplies, whatever the kind of job. A new one is a file beside these, and a line here. */
export const rules: readonly Rule[] = [
  noAnswer,
  noCurrentLimit,
  reservoirBackwards,
  reservoirRating,
  lampCurrent,
  oddString,
  bulbVolts,
  outputOverload,
  decoderOverload,
  logicLevel,
  boardLimits,
  resistorHeat,
  inrush,
  supplyOverload,
  fuseBlows,
  unlikeSharing,
  neverLit,
  secondColourDark,
  reverseVoltage,
  flicker,
  oneDirection,
  regulatorHeat,
  socketHeat,
  trimmerDead,
  cellLoad,
  cellHours,
  cellFades,
  deadRail,
  builtIn,
  looseLead,
  faint,
  firstShow,
  regulatorDropout,
  limiterHeadroom,
  unevenSharing,
  notInMapping,
  decoderPlug,
  pickupDrag,
  wireColours,
  doesNotPass,
  wireNotSold,
  plugMates,
  showHours,
  darkGap,
  glare,
  ultraviolet,
];
