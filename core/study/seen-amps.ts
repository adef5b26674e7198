import { candelaAhead, lampLightness } from '../light/lamp-light';
import { lampType } from '../document/lamp-type';
import { bulbs } from '../part/bulb';
import { lumensAt, type LedPart } from '../part/led';

import type { Layout } from '../document/layout';

/** A lamp that is looked at is plainly lit from here on, 0 to 100 (CIE 1976 lightness). */
const SEEN_LIGHTNESS = 20;
/** Steps in which more current is tried. */
const STEP = 1.25;

/** Current a lamp bears for a long life, in amperes. */
export const longLifeAmps = ({ longLifeShare, greatestAmps }: LedPart): number =>
  longLifeShare * greatestAmps;

/**
 * The current at which a lamp is plainly seen, or the usual one where that does; never more than it lasts with.
 * @param part a lamp type; a bulb takes what it takes
 * @param usualAmps what such a lamp is commonly given
 * @param lightnessOf how bright its light of so many lumens looks, 0 to 100; of a bare lamp that is looked at when left out
 */
export function seenAmps(
  layout: Layout,
  part: string,
  usualAmps: number,
  lightnessOf?: (lumens: number) => number,
): number {
  if (Object.hasOwn(bulbs, part)) return usualAmps;
  const led = lampType(layout, part);
  const seen =
    lightnessOf ?? ((lumens: number) => lampLightness(candelaAhead(lumens, led.beamDegrees, 0, 1)));
  const most = longLifeAmps(led);
  let amps = Math.min(most, usualAmps);
  while (amps < most && seen(lumensAt(led, amps)) < SEEN_LIGHTNESS) amps = Math.min(most, amps * STEP);
  return amps;
}
