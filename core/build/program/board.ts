import { harmfulClips, timelineDoubts, type Timeline } from '../../supply/drivers/timeline';
import {
  worstMoments,
  type StringLamp,
  type WorstMoment,
  type WorstMoments,
} from '../../supply/drivers/laid-out';

/** How a job hangs on a small computer: which pin each channel and the string are on, and what it may draw. */
export interface ProgramWiring {
  readonly name: string;
  /** A pin for each channel, by its number on the board; none where they hang on a matrix. */
  readonly channelPins: readonly number[];
  /** Pins of the rows and columns that the channels cross; null where each has a pin. */
  readonly matrix: ProgramMatrix | null;
  /** Null without a string. */
  readonly stringPin: number | null;
  /** Order in which the string takes its colours; most take green first. */
  readonly colourOrder: 'grb' | 'rgb';
  /** Pins on which a level between dark and full is had by pulse width; others are full from half on. */
  readonly pulsePins: readonly number[];
  /** What each channel draws at full, and all may draw together, in amperes. */
  readonly channelAmps: readonly number[];
  readonly limitAmps: number;
  /** What a lamp of the string draws, and what its supply gives. */
  readonly stringLamp: StringLamp;
  readonly stringLimitAmps: number;
  /** Whether a channel is lit while its pin is high, or while it is low, as where lamps share plus. */
  readonly litBy: 'high' | 'low';
}

/** Rows and columns with a lamp at each crossing, gone through row by row. */
export interface ProgramMatrix {
  readonly rowPins: readonly number[];
  readonly columnPins: readonly number[];
  /** The crossing of each channel, counted along the rows from 0. */
  readonly crossings: readonly number[];
  /** A transistor stands behind each pin: high switches it on. Bare pins of columns light when they are low. */
  readonly transistors: boolean;
}

/** A program that cannot be made, where, and why. */
export class ProgramError extends Error {
  constructor(readonly reasons: readonly string[]) {
    super(reasons.join('; '));
  }
}

/** A time line and its wiring that a program may be made of, with its power budget. */
export interface Checked {
  readonly timeline: Timeline;
  readonly wiring: ProgramWiring;
  readonly worst: WorstMoments;
  /** Scenes that flash as fast as can hurt. */
  readonly harmful: readonly number[];
}

/**
 * Looks a time line and its wiring over before a program is made of them.
 * @throws ProgramError when a pin is used twice or missing, the budget is exceeded, or the time line is not sound
 */
export function checkedForProgram(timeline: Timeline, wiring: ProgramWiring): Checked {
  const reasons = timelineDoubts(timeline).map((d) => `${d.path.join('.')}: ${d.reason}`);
  const { matrix } = wiring;
  const pins = [
    ...wiring.channelPins,
    ...(matrix ? [...matrix.rowPins, ...matrix.columnPins] : []),
    ...(wiring.stringPin === null ? [] : [wiring.stringPin]),
  ];
  const twice = pins.filter((p, k) => pins.indexOf(p) !== k);
  for (const pin of new Set(twice))
    reasons.push(`pin ${pin} is used ${1 + twice.filter((p) => p === pin).length} times`);
  if (matrix) {
    const places = matrix.rowPins.length * matrix.columnPins.length;
    if (matrix.crossings.length !== timeline.channels || matrix.crossings.some((c) => c >= places))
      reasons.push(`${timeline.channels} channels want a crossing each, and there are ${places}`);
  } else if (wiring.channelPins.length !== timeline.channels)
    reasons.push(
      `${timeline.channels} channels want ${timeline.channels} pins, and there are ${wiring.channelPins.length}`,
    );
  if (timeline.lamps > 0 && wiring.stringPin === null) reasons.push('the string has no pin');
  if (!pins.every((p) => Number.isInteger(p) && p >= 0 && p <= 99))
    reasons.push('pins are whole numbers from 0 to 99');
  if (reasons.length > 0) throw new ProgramError(reasons);
  const worst = worstMoments(timeline, wiring.channelAmps, wiring.stringLamp);
  const over = (who: string, { milliseconds, amps }: WorstMoment, limit: number, gives: string): string[] =>
    amps > limit
      ? [
          `at ${(milliseconds / 1000).toFixed(1)} s ${who} ${ampsWords(amps)}, and ${gives} ${ampsWords(limit)}`,
        ]
      : [];
  const exceeded = [
    ...over('the channels draw', worst.channels, wiring.limitAmps, 'what switches them bears'),
    ...over('the string draws', worst.string, wiring.stringLimitAmps, 'its supply gives'),
  ];
  if (exceeded.length > 0) throw new ProgramError(exceeded);
  return { timeline, wiring, worst, harmful: harmfulClips(timeline).map((h) => h.clip) };
}

const ampsWords = (amps: number): string =>
  amps < 1 ? `${(1000 * amps).toFixed(0)} mA` : `${amps.toFixed(2)} A`;

/** Words that end no comment and no text early, on one line. */
export const inComment = (words: string): string => words.replace(/[^\p{L}\p{N} ,.()'-]/gu, ' ').slice(0, 80);

/** Pins of rows and columns, and the crossing of each channel, a line each. */
const matrixLines = (
  { rowPins, columnPins, crossings, transistors }: ProgramMatrix,
  nameOf: (channel: number) => string,
): string[] => [
  ...rowPins.map((pin, r) => `${String(pin).padEnd(6)}row ${r + 1}, plus`),
  ...columnPins.map((pin, c) => `${String(pin).padEnd(6)}column ${c + 1}, minus`),
  ...crossings.map(
    (at, k) =>
      `      row ${Math.floor(at / columnPins.length) + 1}, column ${(at % columnPins.length) + 1}: ${nameOf(k) || 'nothing moves it'}, channel ${k}`,
  ),
  `One row is on at a time, faster than the eye follows. ${transistors ? 'A pin that is high switches its transistor on.' : 'A row is lit high, a column low; the others are let go.'}`,
];

/** The wiring as a table, and what it draws, a line each. */
export function headLines({ timeline, wiring, worst, harmful }: Checked): string[] {
  const { channelPins, stringPin, matrix } = wiring;
  const groupsOf = (kind: 'channels' | 'string', lamp: number): string =>
    timeline.groups
      .filter((g) => g.kind === kind && g.lamps.includes(lamp))
      .map((g) => inComment(g.name))
      .join(', ');
  return [
    inComment(wiring.name),
    '',
    'Pin   What hangs on it',
    ...channelPins.map(
      (pin, k) => `${String(pin).padEnd(6)}${groupsOf('channels', k) || 'nothing moves it'}, channel ${k}`,
    ),
    ...(matrix ? matrixLines(matrix, (k) => groupsOf('channels', k)) : []),
    ...(stringPin === null
      ? []
      : [
          `${String(stringPin).padEnd(6)}data of the string, ${timeline.lamps} lamps, ${wiring.colourOrder.toUpperCase()}, through 330 to 470 ohm`,
        ]),
    ...(wiring.litBy === 'low' ? ['', 'Lamps share plus: a pin that is low lights its lamp.'] : []),
    '',
    ...(channelPins.length > 0 || matrix
      ? [
          `The channels draw at most ${ampsWords(worst.channels.amps)}, at ${(worst.channels.milliseconds / 1000).toFixed(1)} s; they may draw ${ampsWords(wiring.limitAmps)}.`,
        ]
      : []),
    ...(stringPin === null
      ? []
      : [
          `The string draws at most ${ampsWords(worst.string.amps)}, at ${(worst.string.milliseconds / 1000).toFixed(1)} s; its supply gives ${ampsWords(wiring.stringLimitAmps)}.`,
        ]),
    `Nothing goes above ${timeline.capPercent} percent of full. A frame every ${timeline.frameMilliseconds} ms; begins anew after ${(timeline.lastsMilliseconds / 1000).toFixed(1)} s.`,
    ...(harmful.length > 0
      ? ['Flashes from 3 to 30 a second can hurt people with photosensitive epilepsy: it has some.']
      : []),
  ];
}
