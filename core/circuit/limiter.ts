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

/** Knees beyond which a limiter is as good as flat. */
const FLAT_KNEES = 3;

/**
 * Shortens a Newton step on a limiter: its curve is flat on both sides of the bend, and a step from
 * one flat side lands on the bend, where the slope says something.
 */
export function limitedOnBend(wanted: number, before: number, kneeVolts: number): number {
  const flat = FLAT_KNEES * kneeVolts;
  if (before <= 0) return wanted > 0.7 * kneeVolts ? 0.7 * kneeVolts : wanted;
  if (before >= flat) return wanted < 2 * kneeVolts ? 2 * kneeVolts : wanted;
  return Math.max(before - kneeVolts, Math.min(wanted, before + kneeVolts));
}
