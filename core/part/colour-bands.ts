/** Colours of resistor bands in the order of their figures, then the two multipliers below one (IEC 60062). */
export const bandColours = [
  'black',
  'brown',
  'red',
  'orange',
  'yellow',
  'green',
  'blue',
  'violet',
  'grey',
  'white',
  'gold',
  'silver',
] as const;
export type BandColour = (typeof bandColours)[number];

const tolerances: Partial<Record<BandColour, number>> = {
  brown: 0.01,
  red: 0.02,
  green: 0.005,
  blue: 0.0025,
  violet: 0.001,
  gold: 0.05,
  silver: 0.1,
};

const multiplierOf = (colour: BandColour): number => {
  const i = bandColours.indexOf(colour);
  return i < 10 ? i : i === 10 ? -1 : -2;
};

/**
 * The four bands of a resistor of two figures.
 * @param tolerance as a share: 0.05 is 5 %
 * @throws RangeError when two figures, or the tolerances of the code, cannot say it
 */
export function bandsOf(ohms: number, tolerance = 0.05): BandColour[] {
  const power = ohms > 0 ? Math.floor(Math.log10(ohms) + 1e-9) - 1 : NaN;
  const figures = Number((ohms / 10 ** power).toPrecision(6));
  const last = (Object.keys(tolerances) as BandColour[]).find((c) => tolerances[c] === tolerance);
  if (!Number.isInteger(figures) || power < -2 || power > 9 || !last) {
    throw new RangeError(`four bands cannot say ${ohms} ohm ${tolerance * 100} %`);
  }
  const multiplier = power >= 0 ? bandColours[power] : power === -1 ? 'gold' : 'silver';
  return [bandColours[Math.floor(figures / 10)], bandColours[figures % 10], multiplier, last];
}

/**
 * What four or five bands say.
 * @throws RangeError for a colour that cannot stand where it stands
 */
export function ohmsOf(bands: readonly BandColour[]): { ohms: number; tolerance: number } {
  if (bands.length !== 4 && bands.length !== 5) throw new RangeError('a resistor has four or five bands');
  const figures = bands.slice(0, -2).map((c) => bandColours.indexOf(c));
  const tolerance = tolerances[bands[bands.length - 1]];
  if (figures.some((f) => f < 0 || f > 9)) throw new RangeError('gold and silver are not figures');
  if (tolerance === undefined) throw new RangeError(`${bands[bands.length - 1]} is not a tolerance`);
  return { ohms: Number(`${Number(figures.join(''))}e${multiplierOf(bands[bands.length - 2])}`), tolerance };
}
