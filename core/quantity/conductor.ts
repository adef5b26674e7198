/** Resistivity of annealed copper at 20 degrees, 1/58 ohm mm2 per metre (IEC 60028). */
export const COPPER_OHM_SQUARE_MILLIMETRES_PER_METRE = 1 / 58;
/** Its rise with each degree from 20 on, at constant mass (IEC 60028). */
const COPPER_PER_DEGREE = 0.00393;
const REFERENCE_DEGREES = 20;

/**
 * Resistance of a copper conductor of some length and section, in ohms: rho l / A, at a temperature.
 * @param millimetres of one conductor; there and back is twice as long
 */
export const conductorOhms = (
  millimetres: number,
  squareMillimetres: number,
  degrees = REFERENCE_DEGREES,
): number =>
  ((COPPER_OHM_SQUARE_MILLIMETRES_PER_METRE * (millimetres / 1000)) / squareMillimetres) *
  (1 + COPPER_PER_DEGREE * (degrees - REFERENCE_DEGREES));
