/** What an output can do besides shining steadily. How each runs in time is in `supply/decoder-output.ts`. */
export const effects = {
  steady: 'Steady',
  'alternate-one': 'Ditch pair, first',
  'alternate-other': 'Ditch pair, second',
  soft: 'Soft start',
  flicker: 'Flicker',
  beacon: 'Beacon',
} as const;
export type EffectName = keyof typeof effects;
