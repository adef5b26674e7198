/** Colours wire is sold in. */
export const wireColours = [
  'red',
  'black',
  'blue',
  'brown',
  'white',
  'yellow',
  'green',
  'violet',
  'grey',
  'orange',
  'lacquered',
] as const;
export type WireColour = (typeof wireColours)[number];

/** Paint of each, as sRGB. */
export const wirePaint: Readonly<Record<WireColour, string>> = {
  red: '#b3261e',
  black: '#1b1b1b',
  blue: '#2b5ea8',
  brown: '#6b4423',
  white: '#f4f1ea',
  yellow: '#d8ac1e',
  green: '#2f7a48',
  violet: '#6d4a94',
  grey: '#84888a',
  orange: '#cf6d1e',
  lacquered: '#a8652b',
};
