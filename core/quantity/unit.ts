/** A unit as people write it, with what else they write for it and the prefixes that make sense. */
export interface Unit {
  readonly symbol: string;
  /** Other spellings, lower-case. */
  readonly spellings: readonly string[];
  /** What the unit measures, for messages. */
  readonly what: string;
  /** Prefixes used when writing, smallest first, as powers of ten. */
  readonly writes: readonly number[];
}

export const units = {
  ohm: { symbol: 'Ω', spellings: ['ohm', 'ohms', 'ω', 'r'], what: 'a resistance', writes: [0, 3, 6] },
  farad: {
    symbol: 'F',
    spellings: ['farad', 'farads', 'f'],
    what: 'a capacitance',
    // A reservoir is sold as 1000 µF: mF is read as a microfarad by old hands.
    writes: [-12, -9, -6, 0],
  },
  volt: { symbol: 'V', spellings: ['volt', 'volts', 'v'], what: 'a voltage', writes: [-3, 0, 3] },
  amp: {
    symbol: 'A',
    spellings: ['amp', 'amps', 'ampere', 'amperes', 'a'],
    what: 'a current',
    writes: [-6, -3, 0],
  },
  watt: { symbol: 'W', spellings: ['watt', 'watts', 'w'], what: 'a power', writes: [-3, 0] },
  second: { symbol: 's', spellings: ['second', 'seconds', 'sec', 's'], what: 'a time', writes: [-6, -3, 0] },
  millimetre: {
    symbol: 'mm',
    spellings: ['millimetre', 'millimetres', 'millimeter', 'mm'],
    what: 'a length',
    writes: [0],
  },
  'kilometre-per-hour': {
    symbol: 'km/h',
    spellings: ['km/h', 'kmh', 'kph'],
    what: 'a speed',
    writes: [0],
  },
  degree: { symbol: '°', spellings: ['degree', 'degrees', 'deg', '°'], what: 'an angle', writes: [0] },
  kelvin: { symbol: 'K', spellings: ['kelvin', 'k'], what: 'a colour temperature', writes: [0] },
  lumen: { symbol: 'lm', spellings: ['lumen', 'lumens', 'lm'], what: 'a luminous flux', writes: [0] },
  kilogram: { symbol: 'kg', spellings: ['kilogram', 'kilograms', 'kg'], what: 'a mass', writes: [0] },
  hertz: { symbol: 'Hz', spellings: ['hertz', 'hz'], what: 'a frequency', writes: [0, 3] },
  lux: { symbol: 'lx', spellings: ['lux', 'lx'], what: 'an illuminance', writes: [0] },
} as const satisfies Record<string, Unit>;

export type UnitName = keyof typeof units;

/** SI prefixes by power of ten; the letter that is written comes first. */
export const prefixes: readonly { readonly power: number; readonly letters: readonly string[] }[] = [
  { power: -12, letters: ['p'] },
  { power: -9, letters: ['n'] },
  { power: -6, letters: ['µ', 'μ', 'u'] },
  { power: -3, letters: ['m'] },
  { power: 3, letters: ['k', 'K'] },
  { power: 6, letters: ['M'] },
];
