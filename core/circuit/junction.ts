import { THERMAL_VOLTS, type JunctionModel } from '../part/junction-model';

/** Conductance across each junction that keeps a blocked one from floating, as the field's simulators have it. */
export const JUNCTION_SIEMENS = 1e-12;
const DEFAULT_BREAKDOWN_AMPS = 1e-3;

/** Voltage beyond which Newton steps on a junction are shortened: where its curve bends hardest. */
export function criticalVolts(saturationAmps: number, slopeVolts: number): number {
  return slopeVolts * Math.log(slopeVolts / (Math.SQRT2 * saturationAmps));
}

/**
 * The voltage at which the exponential breakdown branch is anchored so that the junction carries
 * its breakdown current at its breakdown voltage (SPICE3 diode temperature set-up, from memory;
 * checked against the reference simulator in tests/reference).
 * @returns volts, positive; Infinity without breakdown
 */
export function breakdownAnchor(model: JunctionModel): number {
  const bv = model.breakdownVolts;
  if (bv === undefined) return Infinity;
  const slope = model.emission * THERMAL_VOLTS;
  const is = model.saturationAmps;
  const ibv = model.breakdownAmps ?? DEFAULT_BREAKDOWN_AMPS;
  if (ibv < (is * bv) / slope) return bv;
  let anchor = bv - slope * Math.log(1 + ibv / is);
  for (let i = 0; i < 25; i++) {
    anchor = bv - slope * Math.log(ibv / is + 1 - anchor / slope);
    const reached = is * (Math.exp((bv - anchor) / slope) - 1 + anchor / slope);
    if (Math.abs(reached - ibv) <= 1e-9 * ibv) break;
  }
  return anchor;
}

/** Largest exponent taken; beyond it the curve goes on as a straight line, so that nothing overflows. */
const STEEPEST = 120;

/**
 * Current through a junction and its slope, without series resistance, leak included.
 * Three branches as SPICE has them: forward exponential, a cubic that meets it at -3 N Vt, breakdown.
 * @param out receives [amps, siemens]
 */
export function junctionCurrent(
  volts: number,
  saturationAmps: number,
  slopeVolts: number,
  anchorVolts: number,
  out: Float64Array,
): void {
  let amps: number;
  let siemens: number;
  if (volts >= -3 * slopeVolts) {
    const x = volts / slopeVolts;
    if (x > STEEPEST) {
      const e = saturationAmps * Math.exp(STEEPEST);
      siemens = e / slopeVolts;
      amps = e * (1 + x - STEEPEST) - saturationAmps;
    } else {
      const e = saturationAmps * Math.exp(x);
      siemens = e / slopeVolts;
      amps = e - saturationAmps;
    }
  } else if (volts >= -anchorVolts) {
    const ratio = (3 * slopeVolts) / (volts * Math.E);
    const cube = ratio * ratio * ratio;
    amps = -saturationAmps * (1 + cube);
    siemens = (saturationAmps * 3 * cube) / volts;
  } else {
    const x = -(anchorVolts + volts) / slopeVolts;
    const e = saturationAmps * Math.exp(x > STEEPEST ? STEEPEST : x);
    siemens = e / slopeVolts;
    amps = x > STEEPEST ? -e * (1 + x - STEEPEST) : -e;
  }
  out[0] = amps + JUNCTION_SIEMENS * volts;
  out[1] = siemens + JUNCTION_SIEMENS;
}

/**
 * Shortens a Newton step on a junction so that its exponential is approached from where it bends
 * (the classic logarithmic junction limiting, with the first step onto the bend itself).
 */
export function limitedVolts(
  wanted: number,
  before: number,
  slopeVolts: number,
  critical: number,
  anchorVolts: number,
): number {
  if (wanted < -anchorVolts || before < -anchorVolts) {
    const limited = limitForward(-(wanted + anchorVolts), -(before + anchorVolts), slopeVolts, critical);
    return -(limited + anchorVolts);
  }
  return limitForward(wanted, before, slopeVolts, critical);
}

function limitForward(wanted: number, before: number, slope: number, critical: number): number {
  if (wanted <= critical || Math.abs(wanted - before) <= 2 * slope) return wanted;
  // Rounding must not make a junction that stands on the bend seem to be before it.
  if (before < critical - 0.01 * slope) return critical;
  const stretch = 1 + (wanted - before) / slope;
  return stretch > 0 ? before + slope * Math.log(stretch) : critical;
}
