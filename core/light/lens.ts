import { candelaAhead, lampLightness } from './lamp-light';
import type { LedPart } from '../part/led';

/** A filament shines all round. */
const BULB_BEAM = 120;
/** What shines of a small lamp, across, in millimetres: a chip's face, a round body (typical, from memory). */
const CHIP = 0.8;
const ROUND = 3;

/** How much of a lamp a lens shows: lens over what shines of it, in diameter; 1 for all of it. */
export const lensShare = (led: LedPart | null, lensMillimetres: number): number =>
  Math.min(1, lensMillimetres / (led !== null && led.beamDegrees > 60 ? CHIP : ROUND));

/** Intensity of a lamp straight ahead through a lens, in candela. */
export const lensCandela = (
  { led, lumens }: { readonly led: LedPart | null; readonly lumens: number },
  lensMillimetres: number,
): number => candelaAhead(lumens, led?.beamDegrees ?? BULB_BEAM, 0, lensShare(led, lensMillimetres));

/** Lightness of a lamp looked at straight, through a lens: 0 to 100 and above for more than full. */
export const lensLightness = (
  die: { readonly led: LedPart | null; readonly lumens: number },
  lensMillimetres: number,
): number => lampLightness(lensCandela(die, lensMillimetres));
