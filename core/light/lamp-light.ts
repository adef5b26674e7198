import { beamExponent } from './illuminance';
import { lightness } from './lightness';

/**
 * Intensity of a lamp on its axis that counts as full for a model: a bare white lamp at about 10 mA
 * (common practice, no source). Lightness of lamps is told against it.
 */
export const FULL_CANDELA = 0.24;

/**
 * When a lamp on the throttle begins to show, is good and is bright: its light as a share of its own
 * at full throttle, as lightness (CIE 1976). A tenth is plainly lit, a third good, seven tenths bright.
 */
export const SHOWN = { shows: 38, good: 65, bright: 87 } as const;

/** From here a lamp that should be dark is seen to glow in a dark room: a hundredth of full. */
export const FAINT_LIGHTNESS = 9;

/**
 * Intensity towards an eye straight ahead, in candela, of a lamp behind a lens: I = flux (m+1)/(2 pi)
 * cos^m(aim), with m from the angle of half intensity; a lens smaller than the lamp hides the rest.
 * @param lensShare lens over lamp, in diameter
 */
export function candelaAhead(
  lumens: number,
  beamDegrees: number,
  aimDegrees: number,
  lensShare: number,
): number {
  const m = beamExponent(beamDegrees);
  const aim = Math.max(0, Math.cos((aimDegrees * Math.PI) / 180));
  return ((lumens * (m + 1)) / (2 * Math.PI)) * aim ** m * Math.min(1, lensShare) ** 2;
}

/** Lightness of a lamp to the eye, 0 to 100 and above for more than full. */
export const lampLightness = (candela: number): number => lightness(candela / FULL_CANDELA);
