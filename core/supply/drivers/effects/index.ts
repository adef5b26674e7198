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

/** The parameters of an effect as they commonly are. */
export const usualParameters = (name: MovingEffectName): number[] =>
  movingEffects[name].parameters.map((p) => p.usual);
