import { fitLed, type LedPart } from './led';
import { THERMAL_VOLTS } from './junction-model';
import type { LampReading } from './lamp-readings';

/** What a ready-wired lamp or a board turned out to hold. */
export type BuiltIn =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'resistor'; readonly ohms: number }
  | { readonly kind: 'limiter'; readonly amps: number };

/** Resistance below which what is seen is the lamp's own. */
const OWN_OHMS = 15;
/** A current that changes by less than this share of what a resistor would change it by is held by a board. */
const HELD_SHARE = 0.25;

/** Voltage over the lamps of a type, without anything built in, at a current. */
function bareVolts(led: LedPart, amps: number): number {
  const model = fitLed(led);
  return (
    led.inSeries *
    (model.emission * THERMAL_VOLTS * Math.log1p(amps / model.saturationAmps) + model.seriesOhms * amps)
  );
}

/**
 * Infers what is built into a ready-wired lamp or board from one or two readings (volts over the
 * whole, current through it): a resistor is what stands between them; a board holds the current
 * nearly still from one reading to the other.
 * @throws RangeError without a reading, for figures not above zero, or for volts below what the lamp itself takes
 */
export function inferBuiltIn(led: LedPart, readings: readonly LampReading[]): BuiltIn {
  if (readings.length === 0) throw new RangeError('one reading at least is needed: volts and milliamps');
  if (readings.some((r) => !(r.volts > 0) || !(r.amps > 0))) {
    throw new RangeError(
      'volts and milliamps of a reading are above zero; turn the leads round if nothing flows',
    );
  }
  const left = readings.map((r) => r.volts - bareVolts(led, r.amps));
  if (left.some((v) => v < -0.15)) {
    throw new RangeError(
      'the voltage is below what this type of lamp takes at that current: is it another type?',
    );
  }
  const ohms = readings.map((r, i) => Math.max(0, left[i]) / r.amps);
  const [low, high] = [...readings].sort((a, b) => a.volts - b.volts);
  if (high && high.volts > low.volts * 1.1) {
    const expected = high.volts / low.volts - 1;
    const changed = high.amps / low.amps - 1;
    if (changed < HELD_SHARE * expected && Math.max(...ohms) > OWN_OHMS) {
      return { kind: 'limiter', amps: (high.amps + low.amps) / 2 };
    }
  }
  const mean = ohms.reduce((a, b) => a + b, 0) / ohms.length;
  return mean < OWN_OHMS ? { kind: 'nothing' } : { kind: 'resistor', ohms: mean };
}
