import type { WireColour } from '../../core/part/wire-colour';

/** Wire on the screen, by the colour it is sold in. */
export const wireHex: Readonly<Record<WireColour, string>> = {
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
