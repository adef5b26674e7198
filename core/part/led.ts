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
  /** How it comes: a single lamp, a unit cut off a strip, a lamp of a fairy string, one at the end of a light bar, or fluorescent paint under an ultraviolet lamp: its light is the paint's. */
  readonly form: 'led' | 'strip' | 'fairy' | 'bar' | 'paint';
  /** Whole angle between the directions of half its greatest intensity; 120 is a matt surface. */
  readonly beamDegrees: number;
  /** Lamps in series inside it, and the resistance built in with them. */
  readonly inSeries: number;
  readonly builtInOhms: number;
  /** Length of a unit between cut marks; null where nothing is cut. */
  readonly unitMillimetres: number | null;
  /** Typical price of one, in the layout's currency. */
  readonly price: number;
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

const chip = {
  testAmps: 0.02,
  greatestAmps: 0.02,
  longLifeShare: 0.75,
  reverseVolts: 5,
  form: 'led',
  beamDegrees: 120,
  inSeries: 1,
  builtInOhms: 0,
  unitMillimetres: null,
  price: 0.2,
} as const;
const white = { ...chip, forwardVolts: 3.0, emission: 3, seriesOhms: 8, lumens: 1.5 } as const;

/**
 * A lamp of 395 to 405 nm over paint that turns its light into a colour of its own: next to nothing is seen of
 * the lamp, and what the paint gives back is a matt surface's (typical, from memory).
 */
const ultraviolet = {
  ...chip,
  form: 'paint',
  forwardVolts: 3.3,
  emission: 3,
  seriesOhms: 8,
  lumens: 0.25,
  price: 0.3,
} as const;

/** Three lamps and a resistor between cut marks: 20 mA at 12 V. Its current falls when its voltage falls. */
const strip12 = {
  ...white,
  form: 'strip',
  inSeries: 3,
  builtInOhms: 150,
  unitMillimetres: 50,
  lumens: 4.5,
  price: 0.35,
  longLifeShare: 1,
  reverseVolts: 15,
} as const;
/**
 * A lamp of a string on two lacquered wires: a glow near 3 V, full near 5 V, some 3 mA for four of
 * them on a coin cell (common practice, no source).
 */
const fairy = {
  ...white,
  form: 'fairy',
  forwardVolts: 2.7,
  testAmps: 0.001,
  greatestAmps: 0.006,
  longLifeShare: 0.9,
  emission: 2,
  seriesOhms: 0,
  builtInOhms: 430,
  lumens: 0.12,
  price: 0.1,
} as const;

/** Generic lamp types; figures are typical of small lamps, not any maker's. */
export const leds: Readonly<Record<string, LedPart>> = Object.fromEntries(
  (
    [
      { id: 'white-glow', name: 'Glow white, 2200 K', ...white, lumens: 1.2, colour: { kelvin: 2200 } },
      { id: 'white-warm', name: 'Warm white, 2700 K', ...white, colour: { kelvin: 2700 } },
      { id: 'white-neutral', name: 'Neutral white, 4000 K', ...white, lumens: 1.6, colour: { kelvin: 4000 } },
      {
        id: 'white-round',
        name: 'Round 3 mm, warm 3000 K, 30° beam',
        ...white,
        beamDegrees: 30,
        colour: { kelvin: 3000 },
      },
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
      {
        id: 'green',
        name: 'Green',
        ...chip,
        forwardVolts: 3.0,
        emission: 3,
        seriesOhms: 8,
        lumens: 1.2,
        colour: { x: 0.2, y: 0.69 },
      },
      {
        id: 'blue',
        name: 'Blue',
        ...chip,
        forwardVolts: 3.1,
        emission: 3,
        seriesOhms: 8,
        lumens: 0.3,
        colour: { x: 0.14, y: 0.08 },
      },
      {
        id: 'paint-green',
        name: 'Ultraviolet on green fluorescent paint',
        ...ultraviolet,
        colour: { x: 0.27, y: 0.6 },
      },
      {
        id: 'paint-orange',
        name: 'Ultraviolet on orange fluorescent paint',
        ...ultraviolet,
        colour: { x: 0.6, y: 0.38 },
      },
      {
        id: 'paint-blue',
        name: 'Ultraviolet on blue-white fluorescent paint',
        ...ultraviolet,
        lumens: 0.1,
        colour: { x: 0.2, y: 0.2 },
      },
      { id: 'strip-warm', name: 'Strip unit 12 V, warm 2700 K', ...strip12, colour: { kelvin: 2700 } },
      { id: 'strip-neutral', name: 'Strip unit 12 V, neutral 4000 K', ...strip12, colour: { kelvin: 4000 } },
      { id: 'strip-cool', name: 'Strip unit 12 V, cool 6500 K', ...strip12, colour: { kelvin: 6500 } },
      {
        id: 'strip-5v-warm',
        name: 'Strip unit 5 V, warm 2700 K',
        ...strip12,
        inSeries: 1,
        builtInOhms: 100,
        unitMillimetres: 16.7,
        lumens: 1.5,
        price: 0.15,
        reverseVolts: 5,
        colour: { kelvin: 2700 },
      },
      { id: 'fairy-warm', name: 'Fairy-string lamp, warm 2500 K', ...fairy, colour: { kelvin: 2500 } },
      {
        id: 'bar-warm',
        name: 'Light bar lit from its end, 2700 K',
        ...white,
        form: 'bar',
        lumens: 1,
        price: 1.2,
        colour: { kelvin: 2700 },
      },
    ] satisfies LedPart[]
  ).map((led) => [led.id, led]),
);

/** Where the light of one lamp comes out: distances from its place, in millimetres, and shares that add to 1. */
export interface LightSpot {
  readonly millimetres: number;
  readonly share: number;
}

/** Share of the light at a bar's lamp that is left at its far end (common practice, no source). */
const BAR_FAR_END = 0.35;
const BAR_SPOTS = 16;

/**
 * Where a lamp's light comes out along the coach: a strip unit at each of its lamps, a bar all along
 * it with less towards the far end, anything else at its place.
 * @param barMillimetres length of a bar, from its lamp; unused for other forms
 */
export function lightSpots(led: LedPart, barMillimetres: number): LightSpot[] {
  if (led.form === 'strip') {
    const pitch = led.unitMillimetres! / led.inSeries;
    return Array.from({ length: led.inSeries }, (_, i) => ({
      millimetres: (i - (led.inSeries - 1) / 2) * pitch,
      share: 1 / led.inSeries,
    }));
  }
  if (led.form === 'bar') {
    const weights = Array.from({ length: BAR_SPOTS }, (_, i) => BAR_FAR_END ** ((i + 0.5) / BAR_SPOTS));
    const sum = weights.reduce((a, b) => a + b, 0);
    return weights.map((w, i) => ({ millimetres: ((i + 0.5) / BAR_SPOTS) * barMillimetres, share: w / sum }));
  }
  return [{ millimetres: 0, share: 1 }];
}
