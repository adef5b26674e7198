import { colourDifference, SEEN_COLOUR, type Chromaticity } from './difference';
import { planckianXy } from './colour';
import { tintedLight } from './tinted';
import { tints } from '../part/tint';
import type { LedPart } from '../part/led';

/** A light people want to be reminded of, with its chromaticity (CIE 1931). */
export interface Look {
  readonly id: string;
  readonly name: string;
  readonly xy: Chromaticity;
}

/**
 * Lights of old and new streets. Sodium, fluorescent (CIE F2) and D65 by their chromaticities, flames
 * and filaments by their colour temperature on the Planckian locus (from memory).
 */
export const looks: readonly Look[] = [
  { id: 'oil', name: 'Oil flame', xy: planckianXy(1950) },
  { id: 'gas', name: 'Gas mantle', xy: planckianXy(2850) },
  { id: 'filament', name: 'Filament bulb', xy: planckianXy(2600) },
  { id: 'low-sodium', name: 'Low-pressure sodium', xy: { x: 0.569, y: 0.43 } },
  { id: 'high-sodium', name: 'High-pressure sodium', xy: { x: 0.53, y: 0.415 } },
  { id: 'fluorescent', name: 'Cold fluorescent', xy: { x: 0.3721, y: 0.3751 } },
  { id: 'daylight', name: 'Daylight', xy: { x: 0.31271, y: 0.32902 } },
];

/** A lamp and what is put before it, for a look. */
export interface LookMatch {
  readonly part: string;
  readonly tint: string;
  /** Distance from the look in u', v' (CIE 1976), and whether an eye sees it. */
  readonly difference: number;
  readonly seen: boolean;
  /** Share of the bare lamp's light that is left. */
  readonly share: number;
}

/**
 * The lamp type and tint that come nearest to a look; of those that an eye tells no better apart the one
 * that keeps most of its light.
 * @param types to choose from, one at least
 * @throws RangeError when there are none
 */
export function matchLook(look: Look, types: readonly LedPart[]): LookMatch {
  const all = types.flatMap((type) =>
    Object.values(tints).map((tint): LookMatch => {
      const { share, x, y } = tintedLight(type.colour, tint);
      const difference = colourDifference({ x, y }, look.xy);
      return { part: type.id, tint: tint.id, difference, seen: difference > SEEN_COLOUR, share };
    }),
  );
  if (all.length === 0) throw new RangeError('there is no lamp to match with');
  const nearest = Math.min(...all.map((m) => m.difference));
  const alike = all.filter((m) => m.difference <= Math.max(nearest + SEEN_COLOUR / 2, SEEN_COLOUR));
  return alike.reduce((best, m) => (m.share > best.share ? m : best));
}
