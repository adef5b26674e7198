import { lightness } from '../../light/lightness';

/** Current of a tail or marker lamp: about 2 kohm on 12 V (common practice, no source). */
export const TAIL_LAMP_AMPS = 0.005;

/**
 * How bright a tail or marker lamp looks, 0 to 100, told against one at its usual current.
 * @param amps its mean current
 */
export function endLampLightness(amps: number): number {
  return Math.min(100, lightness(amps / TAIL_LAMP_AMPS));
}
