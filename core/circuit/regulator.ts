/** Slope of a regulator's pass current against its output error, and how softly its corners bend. */
export const REGULATOR_SIEMENS = 20;
export const REGULATOR_BEND_VOLTS = 1e-3;

/**
 * Pass current of a linear regulator, from input to output, one-way. The output is held at its set
 * voltage, or at the input less the dropout where that is lower; it gives way by 50 mV an ampere.
 * With a = set - output and b = input - dropout - output, u = softmin(a, b) and
 * I = G softmax(u, 0), both corners hyperbolas of the stated bend.
 * @param out receives [amps, slope against the input, slope against the output], both against the common terminal
 */
export function regulatorCurrent(
  inputVolts: number,
  outputVolts: number,
  setVolts: number,
  dropoutVolts: number,
  out: Float64Array,
): void {
  const bend = 4 * REGULATOR_BEND_VOLTS * REGULATOR_BEND_VOLTS;
  const a = setVolts - outputVolts;
  const b = inputVolts - dropoutVolts - outputVolts;
  const gap = Math.sqrt((a - b) * (a - b) + bend);
  const u = (a + b - gap) / 2;
  const slopeB = (1 + (a - b) / gap) / 2;
  const reach = Math.sqrt(u * u + bend);
  out[0] = (REGULATOR_SIEMENS * (u + reach)) / 2;
  const slopeU = (REGULATOR_SIEMENS * (1 + u / reach)) / 2;
  out[1] = slopeU * slopeB;
  out[2] = -slopeU;
}
