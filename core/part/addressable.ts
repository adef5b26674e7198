/** Sorts of addressable strings: lamps that take their colour from one data wire. */
export interface AddressableString {
  readonly id: string;
  readonly name: string;
  /** Volts it is made for. */
  readonly volts: number;
  /** From one lamp to the next along it. */
  readonly pitchMillimetres: number;
  /** Of both conductors together, from one lamp to the next. */
  readonly ohmsPerLamp: number;
  /** Current of a colour at full; of what controls a lamp when nothing is lit. */
  readonly colourAmps: number;
  readonly idleAmps: number;
  /** Lamps it may be cut to: every so many. */
  readonly cutEvery: number;
}

/**
 * Strings as they are sold; copper, currents and pitches are typical (from memory): about 20 mA a
 * colour, newer small ones 12, 0.6 to 1 mA idle.
 */
export const addressableStrings = {
  'ribbon-60': {
    id: 'ribbon-60',
    name: 'Flat ribbon, 60 a metre',
    volts: 5,
    pitchMillimetres: 16.7,
    ohmsPerLamp: 0.006,
    colourAmps: 0.02,
    idleAmps: 0.001,
    cutEvery: 1,
  },
  'ribbon-144': {
    id: 'ribbon-144',
    name: 'Flat ribbon, 144 a metre',
    volts: 5,
    pitchMillimetres: 6.9,
    ohmsPerLamp: 0.0025,
    colourAmps: 0.012,
    idleAmps: 0.0006,
    cutEvery: 1,
  },
  'wire-100': {
    id: 'wire-100',
    name: 'Loose lamps on wire, 100 mm apart',
    volts: 5,
    pitchMillimetres: 100,
    ohmsPerLamp: 0.035,
    colourAmps: 0.012,
    idleAmps: 0.001,
    cutEvery: 1,
  },
  ring: {
    id: 'ring',
    name: 'Ring',
    volts: 5,
    pitchMillimetres: 8.6,
    ohmsPerLamp: 0.002,
    colourAmps: 0.02,
    idleAmps: 0.001,
    cutEvery: 0,
  },
} as const satisfies Readonly<Record<string, AddressableString>>;
export type AddressableName = keyof typeof addressableStrings;
export const addressableNames = Object.keys(addressableStrings) as AddressableName[];

/** The three colours of such a lamp: volts its junction takes, light at full, chromaticity (typical, from memory). */
export const lampColours = [
  { name: 'red', volts: 2.0, lumens: 0.6, xy: { x: 0.69, y: 0.31 } },
  { name: 'green', volts: 3.1, lumens: 1.4, xy: { x: 0.17, y: 0.71 } },
  { name: 'blue', volts: 3.1, lumens: 0.3, xy: { x: 0.135, y: 0.06 } },
] as const;

/** What drives a colour keeps its current from about twice this above the junction on (typical, from memory). */
export const COLOUR_KNEE_VOLTS = 0.25;
/** What controls a lamp takes its idle current from a few volts on. */
export const IDLE_KNEE_VOLTS = 1;
/** A lamp reads a one from this share of its own volts on; below these it no longer works (from memory). */
export const LOGIC_SHARE = 0.7;
export const LEAST_WORKING_VOLTS = 3.3;
