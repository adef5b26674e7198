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

/** Tolerances by colour, as shares (IEC 60062). */
export const bandTolerances: Partial<Record<BandColour, number>> = {
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

/** The figures of a value, so many of them, and the power of ten behind them; null where it has more. */
export function figuresOf(
  ohms: number,
  many: 2 | 3,
): { readonly figures: number; readonly power: number } | null {
  if (!(ohms > 0) || !Number.isFinite(ohms)) return null;
  const power = Math.floor(Math.log10(ohms) + 1e-9) - (many - 1);
  const figures = Number((ohms / 10 ** power).toPrecision(6));
  return Number.isInteger(figures) ? { figures, power } : null;
}

/**
 * The bands of a resistor: four for two figures, five for three.
 * @param tolerance as a share: 0.05 is 5 %
 * @param many how many bands; as few as say it when left out
 * @throws RangeError when the figures, or the tolerances of the code, cannot say it
 */
export function bandsOf(ohms: number, tolerance = 0.05, many?: 4 | 5): BandColour[] {
  const last = (Object.keys(bandTolerances) as BandColour[]).find((c) => bandTolerances[c] === tolerance);
  const tried = many === undefined ? ([2, 3] as const) : ([many === 4 ? 2 : 3] as const);
  for (const count of tried) {
    const found = figuresOf(ohms, count);
    if (!found || !last || found.power < -2 || found.power > 9) continue;
    const multiplier = found.power >= 0 ? bandColours[found.power] : found.power === -1 ? 'gold' : 'silver';
    return [...String(found.figures)].map((d) => bandColours[Number(d)]).concat(multiplier, last);
  }
  throw new RangeError(`${many ?? 'four or five'} bands cannot say ${ohms} ohm ${tolerance * 100} %`);
}

/**
 * What four or five bands say.
 * @throws RangeError for a colour that cannot stand where it stands
 */
export function ohmsOf(bands: readonly BandColour[]): { ohms: number; tolerance: number } {
  if (bands.length !== 4 && bands.length !== 5) throw new RangeError('a resistor has four or five bands');
  const figures = bands.slice(0, -2).map((c) => bandColours.indexOf(c));
  const tolerance = bandTolerances[bands[bands.length - 1]];
  if (figures.some((f) => f < 0 || f > 9)) throw new RangeError('gold and silver are not figures');
  if (tolerance === undefined) throw new RangeError(`${bands[bands.length - 1]} is not a tolerance`);
  return { ohms: Number(`${Number(figures.join(''))}e${multiplierOf(bands[bands.length - 2])}`), tolerance };
}

/** The bands in words: "brown black red gold"; of 1 % where it takes three figures. */
export function bandWords(ohms: number): string {
  try {
    return bandsOf(ohms, figuresOf(ohms, 2) ? 0.05 : 0.01).join(' ');
  } catch {
    return 'no bands say it';
  }
}

/** Paint of each band, as sRGB. */
export const bandPaint: Readonly<Record<BandColour, string>> = {
  black: '#1b1b1b',
  brown: '#6b3f1f',
  red: '#c5301f',
  orange: '#e27a1e',
  yellow: '#e8c21f',
  green: '#2f8a4b',
  blue: '#2a5fa8',
  violet: '#7a4a9e',
  grey: '#8a8f8f',
  white: '#f4f4f0',
  gold: '#b58a2c',
  silver: '#b9bec2',
};
