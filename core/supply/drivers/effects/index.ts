import { alternate } from './alternate';
import { beacon } from './beacon';
import { breathing } from './breathing';
import { chase } from './chase';
import { colourWheel } from './colour-wheel';
import { fire } from './fire';
import { fluorescent } from './fluorescent';
import { gas } from './gas';
import { rooms } from './rooms';
import { steady } from './steady';
import { television } from './television';
import { twinkle } from './twinkle';
import { welder } from './welder';
import { wink } from './wink';
import { workedOut, type Given } from './whole';
import type { MovingEffect } from './effect';

/** Every effect of a time line. A new one is a file beside these, and a line here. */
export const movingEffects = {
  steady,
  wink,
  alternate,
  chase,
  twinkle,
  fire,
  welder,
  fluorescent,
  gas,
  television,
  beacon,
  breathing,
  'colour-wheel': colourWheel,
  rooms,
} as const satisfies Readonly<Record<string, MovingEffect>>;
export type MovingEffectName = keyof typeof movingEffects;
export const movingEffectNames = Object.keys(movingEffects) as MovingEffectName[];

const sums = new Map<MovingEffectName, (of: Given) => number>();

/** What an effect gives at a moment, 0 to 255: a pure function of what is given. */
export function levelOf(name: MovingEffectName): (of: Given) => number {
  let sum = sums.get(name);
  if (!sum) sums.set(name, (sum = workedOut(movingEffects[name].level)));
  return sum;
}

/** The parameters of an effect as they commonly are. */
export const usualParameters = (name: MovingEffectName): number[] =>
  movingEffects[name].parameters.map((p) => p.usual);
