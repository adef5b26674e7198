import { bulbLumens } from '../../part/bulb';
import { lampBodies } from '../../part/lamp-body';
import { lumensAt } from '../../part/led';
import { tints } from '../../part/tint';
import { candelaAhead, lampLightness } from '../../light/lamp-light';
import { tintedLight } from '../../light/tinted';
import type { Part } from '../../assembly/assembly';
import type { LocomotiveRecord } from '../../document/locomotive-record';

/** A part that shines: one colour of a lamp, or a bulb. */
export type ShiningPart = Extract<Part, { kind: 'lamp' | 'bulb' }>;

/** What lies between a lamp's current and the eye ahead of it. */
export interface LampOptics {
  readonly share: number;
  readonly xy: { readonly x: number; readonly y: number };
  readonly beamDegrees: number;
  readonly aimDegrees: number;
  readonly lensShare: number;
}

/** A filament shines all round. */
const BULB_BEAM = 120;

/** The optics of a part, by its lamp’s tint, lens and aim. */
export function opticsOf(job: Pick<LocomotiveRecord, 'lamps'>, part: ShiningPart): LampOptics {
  const lamp = job.lamps[part.lampId];
  const tint = tints[lamp.tint];
  const colour = part.kind === 'bulb' ? { kelvin: part.bulb.kelvin } : part.led.colour;
  const { share, x, y } = tintedLight(colour, tint);
  return {
    share,
    xy: { x, y },
    beamDegrees: part.kind === 'bulb' || tint.spreadMillimetres > 0 ? BULB_BEAM : part.led.beamDegrees,
    aimDegrees: lamp.aimDegrees,
    lensShare: lamp.lensMillimetres / lampBodies[lamp.body].lensMillimetres,
  };
}

/**
 * Luminous flux behind the tint, in lumens.
 * @param drive amperes through a lamp, RMS volts across a bulb
 */
export function lumensOf(part: ShiningPart, optics: LampOptics, drive: number): number {
  return optics.share * (part.kind === 'bulb' ? bulbLumens(part.bulb, drive) : lumensAt(part.led, drive));
}

/** Lightness to the eye ahead, 0 to 100 and above, of a luminous flux. */
export const lightnessAhead = (lumens: number, o: LampOptics): number =>
  lampLightness(candelaAhead(lumens, o.beamDegrees, o.aimDegrees, o.lensShare));
