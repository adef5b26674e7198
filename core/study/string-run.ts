import { voltsAlong, type Run, type Taken } from '../circuit/run-along';
import { colourDifference, type Chromaticity } from '../light/difference';
import { mixedXy } from '../light/tinted';
import {
  addressableStrings,
  COLOUR_KNEE_VOLTS,
  IDLE_KNEE_VOLTS,
  lampColours,
  LEAST_WORKING_VOLTS,
  LOGIC_SHARE,
  type AddressableName,
} from '../part/addressable';

/** A string as it is built: how many lamps, and where power comes in. */
export interface BuiltString {
  readonly sort: AddressableName;
  readonly lamps: number;
  readonly supplyVolts: number;
  /** At which lamps, from 0, and through how many ohms of wire there and back. */
  readonly feeds: readonly { readonly at: number; readonly ohms: number }[];
}

/** Red, green and blue of a lamp, as shares of full. */
export type Levels = readonly [number, number, number];

/** One lamp of a string as it burns. */
export interface StringLampReading {
  readonly volts: number;
  /** Mean of all three colours and what controls it. */
  readonly amps: number;
  readonly lumens: number;
  readonly xy: Chromaticity | null;
}

/** A string solved for one frame. */
export interface StringRun {
  readonly lamps: readonly StringLampReading[];
  readonly amps: number;
  readonly leastVolts: number;
  /** The lamp whose colour is furthest from what it would be at the supply itself, and by how much in u', v'. */
  readonly shift: { readonly lamp: number; readonly apart: number };
}

/** Current one colour takes at full, and its slope: a limiter behind a junction, I = limit tanh^2((V - Vf) / knee). */
function limited(volts: number, limit: number, knee: number): Taken {
  if (volts <= 0) return { amps: 0, siemens: 0 };
  const t = Math.tanh(volts / knee);
  return { amps: limit * t * t, siemens: (2 * limit * t * (1 - t * t)) / knee };
}

/** What each colour of a lamp passes at some volts, as a share of full. */
const colourShares = (volts: number): number[] =>
  lampColours.map((c) => limited(volts - c.volts, 1, COLOUR_KNEE_VOLTS).amps);

/** The run of a string for a frame: what each lamp takes at its volts. Pulses of its colours are taken by their mean. */
export function runOf({ sort, lamps, supplyVolts, feeds }: BuiltString, levels: (k: number) => Levels): Run {
  const { ohmsPerLamp, colourAmps, idleAmps } = addressableStrings[sort];
  return {
    loads: lamps,
    ohms: Array.from({ length: Math.max(0, lamps - 1) }, () => ohmsPerLamp),
    feeds: feeds.map((f) => ({ ...f, volts: supplyVolts })),
    load(k, volts) {
      const own = levels(k);
      let { amps, siemens } = limited(volts, idleAmps, IDLE_KNEE_VOLTS);
      lampColours.forEach((c, i) => {
        const taken = limited(volts - c.volts, colourAmps * own[i], COLOUR_KNEE_VOLTS);
        amps += taken.amps;
        siemens += taken.siemens;
      });
      return { amps, siemens };
    },
  };
}

/** Light and colour of a lamp at some volts. */
function lightOf(volts: number, levels: Levels): Pick<StringLampReading, 'lumens' | 'xy'> {
  const shares = colourShares(volts);
  const lights = lampColours.map((c, i) => ({ lumens: c.lumens * levels[i] * shares[i], ...c.xy }));
  return { lumens: lights.reduce((sum, l) => sum + l.lumens, 0), xy: mixedXy(lights) };
}

/**
 * Solves a string for one frame: volts falling along its own copper, and the colour that shifts with
 * them: green and blue need more volts than red, and fade first.
 * @param levels of each lamp
 * @throws CircuitError when nothing feeds it
 */
export function stringRun(of: BuiltString, levels: (k: number) => Levels): StringRun {
  const run = runOf(of, levels);
  const volts = voltsAlong(run);
  const lamps = Array.from(volts, (v, k): StringLampReading => ({
    volts: v,
    amps: run.load(k, v).amps,
    ...lightOf(v, levels(k)),
  }));
  let shift = { lamp: 0, apart: 0 };
  lamps.forEach(({ xy }, k) => {
    const meant = lightOf(of.supplyVolts, levels(k)).xy;
    const apart = xy && meant ? colourDifference(xy, meant) : 0;
    if (apart > shift.apart) shift = { lamp: k, apart };
  });
  return {
    lamps,
    amps: lamps.reduce((sum, l) => sum + l.amps, 0),
    leastVolts: Math.min(...volts),
    shift,
  };
}

const WHITE: Levels = [1, 1, 1];

/** The colour of a string is seen to shift from here on, in u', v': some ten steps of just noticeable difference (from memory). */
export const SEEN_SHIFT = 0.011;
const MOST_FEEDS = 12;

/** Whether every lamp works and no colour is seen to shift. */
export const keepsColour = (run: StringRun): boolean => works(run) && run.shift.apart < SEEN_SHIFT;

/**
 * Where power has to come in again so that colours stay as meant along a string: at the lamp with the
 * least volts, again and again.
 * @param wireOhms of each feed, there and back
 * @param levels of each lamp in its brightest moment; all white where left out
 * @returns the feeds, those it has first; null where even the most do not keep it
 */
export function feedsFor(
  of: BuiltString,
  wireOhms: number,
  levels: (k: number) => Levels = () => WHITE,
): BuiltString['feeds'] | null {
  let feeds = of.feeds;
  for (;;) {
    const run = stringRun({ ...of, feeds }, levels);
    const { lamps } = run;
    if (keepsColour(run)) return feeds;
    if (feeds.length >= MOST_FEEDS) return null;
    const at = lamps.reduce((least, l, k) => (l.volts < lamps[least].volts ? k : least), 0);
    if (feeds.some((f) => f.at === at)) return null;
    feeds = [...feeds, { at, ohms: wireOhms }];
  }
}

/** Whether a pin is surely read by the first lamp of a string: volts of a one against what the lamp wants. */
export const readsOnes = (
  pinVolts: number,
  firstLampVolts: number,
): { readonly is: number; readonly wants: number; readonly sure: boolean } => ({
  is: pinVolts,
  wants: LOGIC_SHARE * firstLampVolts,
  sure: pinVolts >= LOGIC_SHARE * firstLampVolts,
});

/** Whether every lamp of a string has the volts to work. */
export const works = ({ leastVolts }: StringRun): boolean => leastVolts >= LEAST_WORKING_VOLTS;
