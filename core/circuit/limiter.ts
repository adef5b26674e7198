import { JUNCTION_SIEMENS } from './junction';

/**
 * Current through a one-way limiter and its slope: limit tanh^2(V/knee) for V > 0, the leak alone below.
 * @param out receives [amps, siemens]
 */
export function limiterCurrent(volts: number, limitAmps: number, kneeVolts: number, out: Float64Array): void {
  let amps = 0;
  let siemens = 0;
  if (volts > 0) {
    const t = Math.tanh(volts / kneeVolts);
    amps = limitAmps * t * t;
    siemens = ((2 * limitAmps) / kneeVolts) * t * (1 - t * t);
  }
  out[0] = amps + JUNCTION_SIEMENS * volts;
  out[1] = siemens + JUNCTION_SIEMENS;
}
