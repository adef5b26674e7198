/** Power of the voltage that a filament's current follows: hotter wire resists more (common figure for tungsten, from memory). */
const CURRENT_POWER = 0.55;
/** Power of the voltage that a filament's light follows (common figure for tungsten, from memory). */
const LIGHT_POWER = 3.4;
/** Cold over hot resistance of a filament (from memory: about a tenth). */
const COLD_SHARE = 0.1;

/**
 * Current of filament bulbs at another voltage than the one they were read at, I = I0 (V/V0)^0.55.
 * True RMS amperes for RMS volts: the filament is too slow to follow the cycle, so AC and DC count alike.
 */
export function bulbAmps(
  reading: { readonly volts: number; readonly amps: number },
  rmsVolts: number,
): number {
  return rmsVolts > 0 ? reading.amps * (rmsVolts / reading.volts) ** CURRENT_POWER : 0;
}

/** A filament bulb as it is sold. */
export interface BulbPart {
  readonly id: string;
  readonly name: string;
  readonly volts: number;
  readonly amps: number;
  /** Luminous flux at its rated voltage. */
  readonly lumens: number;
  readonly kelvin: number;
}

/** Bulbs found in locomotives; typical figures, from memory. */
export const bulbs: Readonly<Record<string, BulbPart>> = {
  'bulb-12v': { id: 'bulb-12v', name: 'Bulb, 12 V 60 mA', volts: 12, amps: 0.06, lumens: 0.9, kelvin: 2400 },
  'bulb-16v': { id: 'bulb-16v', name: 'Bulb, 16 V 40 mA', volts: 16, amps: 0.04, lumens: 0.8, kelvin: 2400 },
};

/** RMS volts a bulb stands at when it carries a true RMS current: the inverse of `bulbAmps`. */
export const bulbVoltsAt = (bulb: Pick<BulbPart, 'volts' | 'amps'>, rmsAmps: number): number =>
  rmsAmps > 0 ? bulb.volts * (rmsAmps / bulb.amps) ** (1 / CURRENT_POWER) : 0;

/** Resistance of a filament that has warmed to an RMS voltage, in ohms; never below that of the cold wire. */
export function filamentOhms(bulb: BulbPart, rmsVolts: number): number {
  const hot = bulb.volts / bulb.amps;
  const share = Math.max(0, rmsVolts) / bulb.volts;
  return hot * Math.max(COLD_SHARE, share ** (1 - CURRENT_POWER));
}

/** Luminous flux at an RMS voltage, in lumens: in proportion to V^3.4. */
export function bulbLumens(bulb: BulbPart, rmsVolts: number): number {
  return rmsVolts > 0 ? bulb.lumens * (rmsVolts / bulb.volts) ** LIGHT_POWER : 0;
}
