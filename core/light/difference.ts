import { lightness } from './lightness';
import { FULL_LUX } from './wanted';

export interface Chromaticity {
  readonly x: number;
  readonly y: number;
}

/** Uniform chromaticity u', v' (CIE 1976) from CIE 1931 x, y. */
export function uniformChromaticity({ x, y }: Chromaticity): { u: number; v: number } {
  const d = -2 * x + 12 * y + 3;
  return { u: (4 * x) / d, v: (9 * y) / d };
}

/** Distance of two colours of light in u', v' (CIE 1976 UCS). */
export function colourDifference(a: Chromaticity, b: Chromaticity): number {
  const [p, q] = [uniformChromaticity(a), uniformChromaticity(b)];
  return Math.hypot(p.u - q.u, p.v - q.v);
}

/** Difference of lightness of two windows in a dark room, without sign. */
export function lightnessDifference(luxA: number, luxB: number): number {
  return Math.abs(lightness(luxA / FULL_LUX) - lightness(luxB / FULL_LUX));
}

/**
 * From where an eye sees two coaches of one train differ. Colour: some five steps of just noticeable
 * difference, each 0.0011 in u', v' (from memory); brightness: a twentieth of the scale of lightness
 * (common practice, no source).
 */
export const SEEN_COLOUR = 0.0055;
export const SEEN_LIGHTNESS = 5;

/** How a difference of colour is called by who sees it: warmer is redder, cooler is bluer. */
export function colourWord(of: Chromaticity, beside: Chromaticity): 'bluer' | 'warmer' | 'alike' {
  if (colourDifference(of, beside) < SEEN_COLOUR) return 'alike';
  return of.x < beside.x ? 'bluer' : 'warmer';
}
