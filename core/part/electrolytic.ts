import { nextPreferred } from './preferred';

/** Voltage ratings aluminium electrolytics are sold with (R series of IEC 60384-4, from memory). */
export const ratedVoltsSold = [6.3, 10, 16, 25, 35, 50, 63, 100] as const;

/** A reservoir is wanted with its rating this much above what it can see (common practice, no source). */
export const RATING_MARGIN = 1.2;

/** The smallest rating sold that leaves the margin over a voltage; null when none does. */
export function ratingFor(volts: number): number | null {
  return ratedVoltsSold.find((r) => r >= volts * RATING_MARGIN) ?? null;
}

/** The smallest sold capacitance (E6) that is not below a value. */
export function soldFarads(farads: number): number {
  return nextPreferred(farads, 'E6');
}

/**
 * Typical can of a radial electrolytic: its volume grows with the energy it can hold.
 * @returns diameter and height in millimetres, to half a millimetre; typical, from memory
 */
export function canSize(farads: number, ratedVolts: number): { diameter: number; height: number } {
  const stored = farads * 1e6 * ratedVolts;
  const sizes = [
    { most: 1200, diameter: 5, height: 11 },
    { most: 3600, diameter: 6.3, height: 11 },
    { most: 12000, diameter: 8, height: 12 },
    { most: 26000, diameter: 10, height: 16 },
    { most: 60000, diameter: 12.5, height: 20 },
    { most: 120000, diameter: 16, height: 25 },
  ];
  const fits = sizes.find((s) => stored <= s.most) ?? { diameter: 18, height: 36 };
  return { diameter: fits.diameter, height: fits.height };
}

/** Reservoirs a shop for modellers has: capacitance in farads by rated volts, smallest first; typical, from memory. */
export const stockFarads = [
  47e-6, 100e-6, 220e-6, 330e-6, 470e-6, 680e-6, 1000e-6, 1500e-6, 2200e-6, 3300e-6, 4700e-6,
] as const;

/** Typical price of a reservoir: it grows with its can. */
export function reservoirPrice(farads: number, ratedVolts: number): number {
  return 0.15 + (farads * 1e6 * ratedVolts) / 60_000;
}
