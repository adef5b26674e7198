import { screenColour } from '../light/colour';
import type { Readings } from './readings';

/** How a job looks from afar: all its light as one. */
export interface Glow {
  /** Luminous flux of all its lamps, in lumens. */
  readonly lumens: number;
  /** Colour of their mixture, as a screen shows it; null where it is dark. */
  readonly colour: string | null;
}

/** Below this a thing is dark, in lumens. */
const DARK_LUMENS = 1e-4;

/**
 * The light of all lamps of a job mixed: tristimulus values add (CIE 15), each lamp's from its
 * chromaticity and its flux as Y.
 */
export function glowOf({ dies }: Pick<Readings, 'dies'>): Glow {
  let [x, y, z] = [0, 0, 0];
  for (const { lumens, xy } of dies) {
    if (!(lumens > 0)) continue;
    x += (xy.x / xy.y) * lumens;
    y += lumens;
    z += ((1 - xy.x - xy.y) / xy.y) * lumens;
  }
  if (y < DARK_LUMENS) return { lumens: y, colour: null };
  const sum = x + y + z;
  return { lumens: y, colour: screenColour({ x: x / sum, y: y / sum }) };
}
