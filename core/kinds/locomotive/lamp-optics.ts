import { lampBodies } from '../../part/lamp-body';
import { tints } from '../../part/tint';
import { candelaAhead, lampLightness } from '../../light/lamp-light';
import type { LedPart } from '../../part/led';
import type { LocomotiveRecord } from './record';

/** A filament shines all round. */
const BULB_BEAM = 120;

/**
 * Lightness of a lamp to an eye ahead of its end, 0 to 100 and above, by its lens, tint and aim.
 * @param led the colour that shines; null for a bulb
 * @param lumens behind its tint
 */
export function lightnessAhead(
  lamp: LocomotiveRecord['lamps'][string],
  led: LedPart | null,
  lumens: number,
): number {
  const beam = led === null || tints[lamp.tint].spreadMillimetres > 0 ? BULB_BEAM : led.beamDegrees;
  const lens = lamp.lensMillimetres / lampBodies[lamp.body].lensMillimetres;
  return lampLightness(candelaAhead(lumens, beam, lamp.aimDegrees, lens));
}
