import { THERMAL_VOLTS, type JunctionModel } from './junction-model';

/** A lamp type: what a person reads on the bag, and what the eye gets from it. */
export interface LedPart {
  readonly id: string;
  readonly name: string;
  /** Forward voltage at the test current. */
  readonly forwardVolts: number;
  readonly testAmps: number;
  /** Slope of its curve: emission coefficient and series resistance. */
  readonly emission: number;
  readonly seriesOhms: number;
  readonly greatestAmps: number;
  /** Share of the greatest current it may carry for a long life. */
  readonly longLifeShare: number;
  readonly reverseVolts: number;
  /** Luminous flux at the test current. */
  readonly lumens: number;
  /** Chromaticity, CIE 1931, or a colour temperature on the Planckian locus. */
  readonly colour: { readonly kelvin: number } | { readonly x: number; readonly y: number };
}

/**
 * Fits the junction law to a forward voltage at a test current: IS such that the curve with the
 * given emission coefficient and series resistance passes through that point (Shockley's law).
 * @throws RangeError when the resistance alone drops more than the forward voltage
 */
export function fitLed(
  led: Pick<LedPart, 'forwardVolts' | 'testAmps' | 'emission' | 'seriesOhms'>,
): JunctionModel {
  const slope = led.emission * THERMAL_VOLTS;
  const junction = led.forwardVolts - led.testAmps * led.seriesOhms;
  if (!(junction > 0)) throw new RangeError('the series resistance takes the whole forward voltage');
  return {
    saturationAmps: led.testAmps / Math.expm1(junction / slope),
    emission: led.emission,
    seriesOhms: led.seriesOhms,
  };
}

/** Luminous flux at a current, in lumens: in proportion, which small lamps keep to within their usual spread. */
export function lumensAt(led: LedPart, amps: number): number {
  return amps > 0 ? (led.lumens * amps) / led.testAmps : 0;
}

const chip = { testAmps: 0.02, greatestAmps: 0.02, longLifeShare: 0.75, reverseVolts: 5 } as const;
const white = { ...chip, forwardVolts: 3.0, emission: 3, seriesOhms: 8, lumens: 1.5 } as const;

/** Generic lamp types; figures are typical of small lamps, not any maker's. */
export const leds: Readonly<Record<string, LedPart>> = Object.fromEntries(
  (
    [
      { id: 'white-glow', name: 'Glow white, 2200 K', ...white, lumens: 1.2, colour: { kelvin: 2200 } },
      { id: 'white-warm', name: 'Warm white, 2700 K', ...white, colour: { kelvin: 2700 } },
      { id: 'white-neutral', name: 'Neutral white, 4000 K', ...white, lumens: 1.6, colour: { kelvin: 4000 } },
      { id: 'white-cool', name: 'Cool white, 6500 K', ...white, lumens: 1.7, colour: { kelvin: 6500 } },
      {
        id: 'yellow',
        name: 'Yellow',
        ...chip,
        forwardVolts: 2.1,
        emission: 2.2,
        seriesOhms: 4,
        lumens: 0.6,
        colour: { x: 0.57, y: 0.42 },
      },
      {
        id: 'red',
        name: 'Red',
        ...chip,
        forwardVolts: 2.0,
        emission: 2.2,
        seriesOhms: 4,
        lumens: 0.5,
        colour: { x: 0.69, y: 0.3 },
      },
    ] satisfies LedPart[]
  ).map((led) => [led.id, led]),
);
