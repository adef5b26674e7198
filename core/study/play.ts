import { isMoving, timelineWith, type Moving, type StringRecord } from '../document/moving-record';
import { addressableStrings } from '../part/addressable';
import { conductorOhms } from '../quantity/conductor';
import { wireOf } from '../part/wire';
import { outputOf, usedOutputs } from './aspects';
import { Solver } from './solver';
import { usualState } from './states';
import { stringRun, type BuiltString, type StringRun } from './string-run';
import { type Timeline } from '../supply/drivers/timeline';
import { laidOut, worstMoments, type Frame, type WorstMoments } from '../supply/drivers/laid-out';
import { withoutHarm } from '../supply/drivers/safe-timeline';
import type { JobCore } from '../document/job-record';
import type { Bench } from './bench';
import type { Readings } from './readings';

type MovingJob = JobCore & Moving;

/** The time line of a job, a channel for each output that lamps hang on, ascending. */
export function timelineOf(job: MovingJob): Timeline {
  const outputs = usedOutputs(job);
  return timelineWith(job, outputs.length, (lampId) => {
    const output = outputOf(job, lampId);
    return output === null ? null : outputs.indexOf(Number(output.slice(3)));
  });
}

/** Lamps by the channel they hang on. */
export function channelsOf(job: MovingJob): ReadonlyMap<string, number> {
  const outputs = usedOutputs(job);
  return new Map(
    Object.keys(job.lamps).flatMap((id): [string, number][] => {
      const output = outputOf(job, id);
      return output === null ? [] : [[id, outputs.indexOf(Number(output.slice(3)))]];
    }),
  );
}

/** A string as it is built, with the copper of its feeds there and back. */
export function builtString({ sort, count, supplyVolts, feeds, wire }: StringRecord): BuiltString {
  const { copperSquareMillimetres } = wireOf(wire);
  return {
    sort,
    lamps: count,
    supplyVolts,
    feeds: feeds.map(({ at, wireMillimetres }) => ({
      at,
      ohms: Math.max(LEAST_FEED_OHMS, conductorOhms(2 * wireMillimetres, copperSquareMillimetres)),
    })),
  };
}
/** Joints of a feed that is soldered straight on. */
const LEAST_FEED_OHMS = 0.005;

/** Red, green and blue of lamps of a string in a frame, as shares of full. */
export const levelsIn =
  (frame: Frame, { channels }: Pick<Timeline, 'channels'>) =>
  (k: number): readonly [number, number, number] => {
    const at = channels + 3 * k;
    return [frame[at] / 255, frame[at + 1] / 255, frame[at + 2] / 255];
  };

/** A moment of a scene as it burns. */
export interface Moment {
  readonly milliseconds: number;
  readonly frame: Frame;
  /** What the channels draw together, and the string. */
  readonly channelAmps: number;
  /** Null without a string. */
  readonly string: StringRun | null;
}

/** A scene ready to be played: every moment of it is worked out when it is asked for. */
export interface Play {
  readonly timeline: Timeline;
  /** What each channel draws at full, as solved. */
  readonly channelAmps: readonly number[];
  /** Scenes that flash as often as can hurt are played standing still. */
  readonly spared: boolean;
  readonly at: (milliseconds: number) => Moment;
}

/** What each channel draws at full as its supply is set, or at the supply's highest; in the order of its channels. */
export function fullAmps(bench: Bench, readings: readonly Pick<Readings, 'outputAmps'>[]): number[] {
  return usedOutputs(bench.job).map((n) =>
    Math.max(0, ...readings.map((r) => r.outputAmps.get(`out${n}`) ?? 0)),
  );
}

/**
 * A scene solved to be played: its channels at full once, each then by its share of the time; its string
 * at every moment along its own copper.
 * @returns null for what has no time line
 * @throws CircuitError when its channels cannot be solved
 */
export function playOf(bench: Bench, solver = new Solver(bench)): Play | null {
  const { job } = bench;
  if (!isMoving(job)) return null;
  const asBuilt = timelineOf(job);
  const timeline = withoutHarm(asBuilt);
  const fill = laidOut(timeline);
  const channelAmps = fullAmps(bench, [solver.at(usualState(bench))]);
  const string = job.string && builtString(job.string);
  const frame: Frame = new Uint8Array(timeline.channels + 3 * timeline.lamps);
  return {
    timeline,
    channelAmps,
    spared: timeline !== asBuilt,
    at(milliseconds) {
      fill(milliseconds, frame);
      return {
        milliseconds,
        frame,
        channelAmps: channelAmps.reduce((sum, amps, k) => sum + (amps * frame[k]) / 255, 0),
        string: string && stringRun(string, levelsIn(frame, timeline)),
      };
    },
  };
}

/**
 * Where in a scene most is drawn. Channels count at full as soon as they are lit: pulses of pins begin
 * together. A string counts its colours by their share.
 */
export function worstOf(job: MovingJob, channelAmps: readonly number[]): WorstMoments {
  return worstMoments(timelineOf(job), channelAmps, stringLampOf(job), LOOKED_AT);
}

/** Frames of a long scene that are looked at for its worst moment; a program is checked by all of them. */
const LOOKED_AT = 2000;

/** What a lamp of the string draws; nothing without one. */
export function stringLampOf({ string }: Moving): { readonly colourAmps: number; readonly idleAmps: number } {
  if (!string) return { colourAmps: 0, idleAmps: 0 };
  const { colourAmps, idleAmps } = addressableStrings[string.sort];
  return { colourAmps, idleAmps };
}
