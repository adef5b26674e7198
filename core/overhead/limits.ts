/** What rigs are chosen by and held to; common practice, no source, where nothing else is said. */

/** Units as they are sold, in amperes. */
export const unitAmps: readonly number[] = [1, 1.5, 2, 3, 4, 5, 6.3, 8, 10, 12.5, 15, 20, 30];
/** Plugs as they are sold, in amperes, and how much above what flows one is chosen. */
export const plugRatings: readonly number[] = [3, 5, 7.5, 10, 15, 20, 30];
export const PLUG_ABOVE = 1.25;
/** Strip may lie so much warmer than the air, in kelvin, before it ages fast and its glue lets go. */
export const MOST_WARMER = 35;
/** Light of a strip's far end over its near: below this a step is seen along it. */
export const LEAST_SHARE = 0.85;
/** Light that the feed leaves: below this it is the feed that is mended first; from there on it is good. */
export const FEED_LEAST = 0.9;
export const FEED_ENOUGH = 0.95;
/** A fascia reaches so much further down than it has to, in millimetres, to the next five. */
const FASCIA_SPARE = 15;
export const fasciaFor = (hidingMillimetres: number): number =>
  Math.ceil((hidingMillimetres + FASCIA_SPARE) / 5) * 5;
/** From this rate on no modulation is more than low risk (IEEE 1789-2015). */
export const QUICK_HERTZ = 3000;
