import { flicker } from './flicker';
import { inrush } from './inrush';
import { lampCurrent } from './lamp-current';
import { looseLead } from './loose-lead';
import { noCurrentLimit } from './no-current-limit';
import { reservoirBackwards } from './reservoir-backwards';
import { reservoirRating } from './reservoir-rating';
import { resistorHeat } from './resistor-heat';
import { reverseVoltage } from './reverse-voltage';
import { tooLowToLight } from './too-low-to-light';
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
  tooLowToLight,
  flicker,
  looseLead,
];
