import { leastSquares } from './least-squares';
import { THERMAL_VOLTS } from './junction-model';

/** What a person read with the lamp on the bench: volts across it, current through it. */
export interface LampReading {
  readonly volts: number;
  readonly amps: number;
}

/** A lamp's curve from readings. */
export interface FittedCurve {
  readonly emission: number;
  readonly seriesOhms: number;
  readonly forwardVolts: number;
  readonly testAmps: number;
  /** Root mean square of what the curve misses the readings by, in volts. */
  readonly errorVolts: number;
}

/** Emission coefficient taken where two readings cannot tell it from the resistance. */
const USUAL_EMISSION = 3;
const LEAST_EMISSION = 1;
/** A lamp's junction takes more than this of its volts; the rest is resistance. */
const LEAST_JUNCTION_VOLTS = 0.3;

/**
 * Fits V = N Vt ln(I) + b + RS I to readings by least squares on the volts (Shockley's law with a
 * series resistance, for currents far above saturation). Where the readings ask for a negative
 * resistance or an emission coefficient below 1, that figure is held at its limit and the rest
 * fitted again. With fewer than three readings the emission coefficient is taken as usual for a lamp.
 * @throws RangeError for fewer than two readings, figures not above zero, or volts that fall as the current rises
 */
export function fitReadings(readings: readonly LampReading[]): FittedCurve {
  if (readings.length < 2)
    throw new RangeError('a lamp type needs two readings at least, at different currents');
  const bad = readings.find((r) => !(r.volts > 0) || !(r.amps > 0));
  if (bad) throw new RangeError('volts and milliamps of a reading are above zero');
  const sorted = [...readings].sort((a, b) => a.amps - b.amps);
  const last = sorted[sorted.length - 1];
  if (last.amps < sorted[0].amps * 1.02)
    throw new RangeError('the readings are all at one current: take them further apart');
  if (last.volts <= sorted[0].volts)
    throw new RangeError('the volts fall as the current rises: a reading is mistaken');

  const fit = (
    columns: readonly ((r: LampReading) => number)[],
    known: (r: LampReading) => number,
  ): number[] =>
    leastSquares(
      columns.map((c) => readings.map(c)),
      readings.map((r) => r.volts - known(r)),
    );
  const log = (r: LampReading): number => THERMAL_VOLTS * Math.log(r.amps);
  const one = (): number => 1;
  const amps = (r: LampReading): number => r.amps;

  let emission = USUAL_EMISSION;
  let offset = 0;
  let seriesOhms = 0;
  if (readings.length > 2) [emission, offset, seriesOhms] = fit([log, one, amps], () => 0);
  else [offset, seriesOhms] = fit([one, amps], (r) => emission * log(r));
  if (seriesOhms < 0) {
    seriesOhms = 0;
    [emission, offset] = fit([log, one], () => 0);
  }
  if (emission < LEAST_EMISSION) {
    emission = LEAST_EMISSION;
    [offset, seriesOhms] = fit([one, amps], (r) => emission * log(r));
    seriesOhms = Math.max(0, seriesOhms);
  }
  const curve = (i: number): number => emission * THERMAL_VOLTS * Math.log(i) + offset + seriesOhms * i;
  const squares = readings.reduce((sum, r) => sum + (r.volts - curve(r.amps)) ** 2, 0);
  return {
    emission,
    seriesOhms,
    forwardVolts: curve(last.amps),
    testAmps: last.amps,
    errorVolts: Math.sqrt(squares / readings.length),
  };
}

/**
 * What makes a fitted curve no lamp's: its resistance takes all, or nearly all, of its volts, as one
 * mistyped reading makes it.
 * @returns null for a curve that can be a lamp's
 */
export function curveDoubt(
  curve: Pick<FittedCurve, 'seriesOhms' | 'forwardVolts' | 'testAmps'>,
): string | null {
  const junction = curve.forwardVolts - curve.seriesOhms * curve.testAmps;
  return junction > LEAST_JUNCTION_VOLTS
    ? null
    : 'the volts rise so steeply with the current that nothing is left for the lamp: a reading is mistaken';
}
