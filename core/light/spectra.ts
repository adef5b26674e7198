import { chromaticityOf, whiteOf, type Tristimulus } from './white';
import type { Chromaticity } from './difference';

/** Wavelengths at which spectra are looked at, in nanometres. */
const NANOMETRES = Array.from({ length: 81 }, (_, i) => 380 + 5 * i);

const lobe = (l: number, middle: number, below: number, above: number): number =>
  Math.exp(-0.5 * ((l - middle) / (l < middle ? below : above)) ** 2);

/**
 * Colour matching functions of the CIE 1931 observer, by the lobes of Wyman, Sloan and Shirley (2013),
 * within about a hundredth of the tables (figures from memory).
 */
const observer = NANOMETRES.map((l) => ({
  x: 1.056 * lobe(l, 599.8, 37.9, 31) + 0.362 * lobe(l, 442, 16, 26.7) - 0.065 * lobe(l, 501.1, 20.4, 26.2),
  y: 0.821 * lobe(l, 568.8, 46.9, 40.5) + 0.286 * lobe(l, 530.9, 16.3, 31.1),
  z: 1.217 * lobe(l, 437, 11.8, 36) + 0.681 * lobe(l, 459, 26, 13.8),
}));

/** Power over wavelength, at each of `NANOMETRES`. */
type Spectrum = readonly number[];

const seen = (light: Spectrum, surface: Spectrum | null): Tristimulus => {
  let [X, Y, Z] = [0, 0, 0];
  light.forEach((power, i) => {
    const p = power * (surface ? surface[i] : 1);
    X += p * observer[i].x;
    Y += p * observer[i].y;
    Z += p * observer[i].z;
  });
  return { X, Y, Z };
};

/** A black body (Planck's law), as a warm bulb is nearly. */
export const blackBody = (kelvin: number): Spectrum =>
  NANOMETRES.map((l) => {
    const metres = l * 1e-9;
    return 1e-30 / (metres ** 5 * (Math.exp(0.014_387_77 / (metres * kelvin)) - 1));
  });

/** Blue of the chip, and the two humps of what covers it (typical of white LEDs, from memory). */
const chip = NANOMETRES.map((l) => lobe(l, 452, 9, 12));
const green = NANOMETRES.map((l) => lobe(l, 545, 38, 55));
const red = NANOMETRES.map((l) => lobe(l, 615, 42, 50));

/**
 * A white LED of a chromaticity: blue of its chip with green and red of what covers it, in the amounts
 * that give that chromaticity (three equations, by Cramer's rule). Stated as typical: lamps alike in
 * colour may differ in spectrum.
 * @returns null where no such amounts do
 */
export function ledSpectrum({ x, y }: Chromaticity): Spectrum | null {
  const wanted = [x / y, 1, (1 - x - y) / y];
  const columns = [chip, green, red].map((s) => {
    const t = seen(s, null);
    return [t.X, t.Y, t.Z];
  });
  const det = ([a, b, c]: number[][]): number =>
    a[0] * (b[1] * c[2] - b[2] * c[1]) -
    b[0] * (a[1] * c[2] - a[2] * c[1]) +
    c[0] * (a[1] * b[2] - a[2] * b[1]);
  const whole = det(columns);
  const parts = columns.map((_, i) => det(columns.map((c, k) => (k === i ? wanted : c))) / whole);
  if (parts.some((p) => !(p >= 0))) return null;
  return NANOMETRES.map((_, i) => parts[0] * chip[i] + parts[1] * green[i] + parts[2] * red[i]);
}

/** From one share to another across a wavelength, over so many nanometres. */
const edge = (from: number, to: number, at: number, over: number): Spectrum =>
  NANOMETRES.map((l) => from + (to - from) / (1 + Math.exp(-(l - at) / over)));
const sum = (...of: Spectrum[]): Spectrum => NANOMETRES.map((_, i) => of.reduce((s, o) => s + o[i], 0));
const hump = (height: number, at: number, width: number): Spectrum =>
  NANOMETRES.map((l) => height * lobe(l, at, width, width));

/** Paints and greens of scenery as shares of light they throw back: typical shapes, measured on nothing (common practice, no source). */
export const paints = {
  grass: {
    name: 'Grass green',
    reflects: sum(edge(0.05, 0.22, 700, 12), hump(0.16, 553, 32), hump(0.03, 640, 40)),
  },
  foliage: { name: 'Dark foliage', reflects: sum(edge(0.03, 0.18, 702, 10), hump(0.08, 548, 28)) },
  ballast: { name: 'Ballast grey', reflects: edge(0.27, 0.33, 560, 60) },
  brick: { name: 'Red brick', reflects: edge(0.07, 0.34, 592, 16) },
  timber: { name: 'Weathered timber', reflects: edge(0.14, 0.4, 585, 45) },
  sky: { name: 'Sky of the backscene', reflects: sum(edge(0.55, 0.34, 530, 35), hump(0.06, 450, 30)) },
  cream: { name: 'Cream paint', reflects: edge(0.35, 0.78, 500, 25) },
} as const satisfies Readonly<Record<string, { readonly name: string; readonly reflects: Spectrum }>>;
export type PaintName = keyof typeof paints;

/** A colour as the eye tells it: lightness, green to red, blue to yellow (CIE 1976 L*a*b*). */
export interface Lab {
  readonly l: number;
  readonly a: number;
  readonly b: number;
}
const EDGE = 216 / 24_389;
const rootOf = (t: number): number => (t > EDGE ? Math.cbrt(t) : (24_389 / 27 / 116) * t + 16 / 116);
function labOf(colour: Tristimulus, white: Tristimulus): Lab {
  const [x, y, z] = [colour.X / white.X, colour.Y / white.Y, colour.Z / white.Z].map(rootOf);
  return { l: 116 * y - 16, a: 500 * (x - y), b: 200 * (y - z) };
}

/** How a paint changes from one light to another. */
export interface PaintShift {
  readonly paint: PaintName;
  readonly before: Lab;
  readonly after: Lab;
  /** "4 bluer", "3 redder": what changes most, and by how much; "the same" below one. */
  readonly words: string;
  /** The same once the eye is used to the second light: each against its own white. */
  readonly usedWords: string;
}

/** Below this a change of colour is not told. */
const SEEN = 1;

function shiftWords(before: Lab, after: Lab): string {
  const [a, b] = [after.a - before.a, after.b - before.b];
  if (Math.max(Math.abs(a), Math.abs(b)) < SEEN) return 'the same';
  const by = Math.round(Math.max(Math.abs(a), Math.abs(b)));
  if (Math.abs(b) >= Math.abs(a)) return `${by} ${b < 0 ? 'bluer' : 'yellower'}`;
  return `${by} ${a < 0 ? 'greener' : 'redder'}`;
}

/**
 * How paints look under one light of as many lux as another, beside each other: both against the white of the first
 * (CIE 1976 L*a*b*), so that a cooler light makes all of it bluer.
 * @returns none where a light is no white that an LED gives
 */
export function paintShifts(before: Chromaticity, after: Chromaticity): PaintShift[] {
  const [one, two] = [ledSpectrum(before), ledSpectrum(after)];
  if (!one || !two) return [];
  const [white, ownWhite] = [one, two].map((light) => seen(light, null));
  return (Object.keys(paints) as PaintName[]).map((paint) => {
    const { reflects } = paints[paint];
    const [was, is] = [one, two].map((light) => labOf(seen(light, reflects), white));
    return {
      paint,
      before: was,
      after: is,
      words: shiftWords(was, is),
      usedWords: shiftWords(was, labOf(seen(two, reflects), ownWhite)),
    };
  });
}

/** White of a spectrum as it would be sold; null for none. */
export function whiteOfSpectrum(light: Spectrum): ReturnType<typeof whiteOf> | null {
  const xy = chromaticityOf(seen(light, null));
  return xy && whiteOf(xy);
}
