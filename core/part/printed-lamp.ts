import { THERMAL_VOLTS } from './junction-model';
import type { LampReading } from './lamp-readings';

/** Colours a small lamp comes in: chromaticity (CIE 1931, typical, from memory) and volts at its test current; white by its kelvin. */
export const lampColours = {
  white: { name: 'White', xy: null, volts: 3.0 },
  red: { name: 'Red', xy: { x: 0.69, y: 0.3 }, volts: 2.0 },
  orange: { name: 'Orange', xy: { x: 0.63, y: 0.37 }, volts: 2.1 },
  yellow: { name: 'Yellow', xy: { x: 0.57, y: 0.42 }, volts: 2.1 },
  green: { name: 'Green', xy: { x: 0.2, y: 0.69 }, volts: 3.0 },
  blue: { name: 'Blue', xy: { x: 0.14, y: 0.06 }, volts: 3.1 },
} as const;
export type LampColourName = keyof typeof lampColours;

/** How steep the curve of such a lamp is: emission coefficient (typical, from memory). */
const EMISSION = 2.5;
/** A lamp whose volts are more than this over its colour's holds a resistor. */
const BARE_OVER_VOLTS = 0.8;
/** The second point is taken at this share of the printed current. */
const LOW_SHARE = 0.2;

/** What a bag says, as the readings it stands for. */
export interface PrintedLamp {
  readonly readings: readonly LampReading[];
  /** Resistance that must be inside for the bag to be true; 0 for a bare lamp. */
  readonly builtInOhms: number;
}

/**
 * Readings that "2.1 V, 20 mA" or "12 V, 20 mA" on a bag stand for. Volts near those of its colour are a
 * bare lamp: along its exponential a fifth of the current costs N Vt ln 5. Far more volts are a lamp with
 * a resistor, R = (V - Vf)/I (Ohm's law). A reading of one's own says more.
 * @throws RangeError for volts below what such a lamp needs at all
 */
export function printedLamp(volts: number, amps: number, colour: LampColourName): PrintedLamp {
  const own = lampColours[colour].volts;
  const falls = EMISSION * THERMAL_VOLTS * Math.log(1 / LOW_SHARE);
  if (volts < own - BARE_OVER_VOLTS)
    throw new RangeError(`${lampColours[colour].name} lamps need about ${own} V: is another colour meant?`);
  const builtInOhms = volts > own + BARE_OVER_VOLTS ? (volts - own) / amps : 0;
  const low = volts - falls - (1 - LOW_SHARE) * amps * builtInOhms;
  return {
    builtInOhms,
    readings: [
      { volts: Number(low.toPrecision(4)), amps: Number((LOW_SHARE * amps).toPrecision(4)) },
      { volts, amps },
    ],
  };
}
