/** Power of the voltage that a filament's current follows: hotter wire resists more (common figure for tungsten, from memory). */
const CURRENT_POWER = 0.55;

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
