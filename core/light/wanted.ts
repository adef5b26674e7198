import { lightness } from './lightness';

/**
 * The light that counts as full inside a model coach, in lux at seat height: to an eye used to a
 * darkened room the window is as bright as a window gets. Lightness is told against it.
 */
export const FULL_LUX = 300;

/**
 * How bright, in words that have a figure behind them: lux at seat height inside the model.
 * The steps are even to the eye, about sixteen of lightness apart (CIE 1976).
 */
export const wantedWords = [
  { id: 'oil-lamp', name: 'Oil lamp', lux: 9 },
  { id: 'gas', name: 'Gas', lux: 25 },
  { id: 'dim-bulb', name: 'Dim bulb', lux: 55 },
  { id: 'evening-bulb', name: 'Evening bulb', lux: 110 },
  { id: 'fluorescent', name: 'Fluorescent', lux: 190 },
  { id: 'showroom', name: 'Showroom', lux: 300 },
] as const;

/** Lightness of a window, 0 to 100, from the illuminance behind it. */
export function windowLightness(lux: number): number {
  return Math.min(100, lightness(lux / FULL_LUX));
}

/** Light of a room for reading and writing (EN 12464-1): what the eye takes for white by day. */
export const DAY_LUX = 500;

/** Lightness of a window, 0 to 100, in a dark room or in a lit one. */
export function windowLightnessBy(lux: number, by: 'night' | 'day'): number {
  return by === 'night' ? windowLightness(lux) : Math.min(100, lightness(lux / DAY_LUX));
}

/** The word nearest, by lightness, to an illuminance. */
export function nearestWord(lux: number): (typeof wantedWords)[number] {
  const at = lightness(lux / FULL_LUX);
  return wantedWords.reduce((best, w) =>
    Math.abs(lightness(w.lux / FULL_LUX) - at) < Math.abs(lightness(best.lux / FULL_LUX) - at) ? w : best,
  );
}
