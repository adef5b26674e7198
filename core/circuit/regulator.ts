import { JUNCTION_SIEMENS } from './junction';

/** Slope of a regulator's pass current against its output error, and how softly its corners bend. */
export const REGULATOR_SIEMENS = 20;
export const REGULATOR_BEND_VOLTS = 5e-3;

/** max(u, 0) with its corner rounded by a parabola over the bend on either side. */
const aboveZero = (u: number): number => {
  const t = Math.max(0, u + REGULATOR_BEND_VOLTS);
  const bent = Math.min(t, 2 * REGULATOR_BEND_VOLTS);
  return (bent * bent) / (4 * REGULATOR_BEND_VOLTS) + (t - bent);
};
const slopeAboveZero = (u: number): number =>
  Math.min(1, Math.max(0, (u + REGULATOR_BEND_VOLTS) / (2 * REGULATOR_BEND_VOLTS)));

/**
 * Pass current of a linear regulator, from input to output, one-way. The output is held at its set
 * voltage, or at the input less the dropout where that is lower; it gives way by 50 mV an ampere.
 * With a = set - output and b = input - dropout - output, I = G max(min(a, b), 0), both corners
 * rounded, and the leak of a junction from input to output.
 * @param out receives [amps, slope against the input, slope against the output], both against the common terminal
 */
export function regulatorCurrent(
  inputVolts: number,
  outputVolts: number,
  setVolts: number,
  dropoutVolts: number,
  out: Float64Array,
): void {
  const a = setVolts - outputVolts;
  const b = inputVolts - dropoutVolts - outputVolts;
  const u = b - aboveZero(b - a);
  const slopeB = 1 - slopeAboveZero(b - a);
  const slopeU = REGULATOR_SIEMENS * slopeAboveZero(u);
  out[0] = REGULATOR_SIEMENS * aboveZero(u) + JUNCTION_SIEMENS * (inputVolts - outputVolts);
  out[1] = slopeU * slopeB + JUNCTION_SIEMENS;
  out[2] = -slopeU - JUNCTION_SIEMENS;
}
