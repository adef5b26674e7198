import { nextPreferred } from '../part/preferred';
import { bodyFor, RESISTOR_MARGIN, resistorBodies } from '../part/resistor';
import { supplyKind, type Supply } from '../supply';
import type { LedPart } from '../part/led';

/** Share of what a supply gives for long that is asked of it. */
const GIVEN_SHARE = 0.9;
/** Smaller bodies are not commonly in the drawer. */
const LEAST_WATTS = 0.125;

/** A resistor as it is sold. */
export interface SoldResistor {
  readonly ohms: number;
  readonly ratedWatts: number;
}

/**
 * The resistor to begin with, at the supply's highest: R = (V - n Vf)/I, the next of E12 above (Ohm's
 * law), with the body that bears its heat; never for more than the supply gives.
 * @param amps through the resistor
 * @param takenVolts by a rectifier before it
 * @param thereOhms resistance in its way already, as on a board
 */
export function firstResistor(
  supply: Supply,
  led: LedPart,
  amps: number,
  inSeries = 1,
  takenVolts = 0,
  thereOhms = 0,
): SoldResistor {
  const kind = supplyKind(supply);
  const over = kind.highestVolts(supply) - takenVolts - inSeries * led.inSeries * led.forwardVolts;
  const within = Math.min(amps, GIVEN_SHARE * kind.limit(supply).amps);
  const ohms = nextPreferred(Math.max(1, over / within - thereOhms), 'E12');
  const watts = (Math.max(0, over) / (ohms + thereOhms)) ** 2 * ohms;
  const body = bodyFor(watts / RESISTOR_MARGIN) ?? resistorBodies[resistorBodies.length - 1];
  return { ohms, ratedWatts: Math.max(LEAST_WATTS, body.watts) };
}
