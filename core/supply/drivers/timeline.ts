import { heeds } from './effects/whole';
import { levelOf, movingEffects, type MovingEffectName } from './effects';
import { HARMFUL_HERTZ } from '../../quantity/flashes';

/** Lamps that move together: plain ones, each on a channel of its own, or some of an addressable string. */
export interface TimelineGroup {
  readonly id: string;
  readonly name: string;
  /** `channels`: one level each; `string`: three, red, green and blue. */
  readonly kind: 'channels' | 'string';
  /** Numbers of its channels, or of its lamps on the string, from 0. */
  readonly lamps: readonly number[];
}

/** A scene of a group: an effect from one moment to another. Where two overlap the later one in the list is seen. */
export interface TimelineClip {
  readonly group: string;
  readonly fromMilliseconds: number;
  readonly toMilliseconds: number;
  readonly effect: MovingEffectName;
  readonly parameters: readonly number[];
  /** Red, green and blue at full, 0 to 255; of plain lamps not heeded. */
  readonly colour: readonly [number, number, number];
}

/** Scenes by group, over and over. */
export interface Timeline {
  readonly groups: readonly TimelineGroup[];
  readonly clips: readonly TimelineClip[];
  readonly lastsMilliseconds: number;
  readonly seed: number;
  /** From one frame to the next. */
  readonly frameMilliseconds: number;
  /** Share of full that nothing goes above, in percent. */
  readonly capPercent: number;
  readonly channels: number;
  /** Lamps of the string. */
  readonly lamps: number;
}

/** Something wrong with a time line, where, and why. */
export interface TimelineDoubt {
  readonly path: readonly (string | number)[];
  readonly reason: string;
}

/** What speaks against a time line: numbers that lead nowhere, scenes without length, parameters out of their range, lamps in two groups. */
export function timelineDoubts(of: Timeline): TimelineDoubt[] {
  const doubts: TimelineDoubt[] = [];
  const say = (path: readonly (string | number)[], reason: string): void =>
    void doubts.push({ path, reason });
  if (!(of.frameMilliseconds >= 10 && Number.isInteger(of.frameMilliseconds)))
    say(['frameMilliseconds'], 'a frame lasts 10 ms at least, in whole milliseconds');
  if (!(of.lastsMilliseconds >= of.frameMilliseconds && of.lastsMilliseconds <= MOST_MILLISECONDS))
    say(['lastsMilliseconds'], 'it lasts from one frame to twelve hours');
  if (!(of.capPercent >= 1 && of.capPercent <= 100)) say(['capPercent'], 'from 1 to 100 percent');
  const taken = new Map<string, string>();
  of.groups.forEach((group, g) => {
    const most = group.kind === 'channels' ? of.channels : of.lamps;
    group.lamps.forEach((lamp, l) => {
      if (!(Number.isInteger(lamp) && lamp >= 0 && lamp < most))
        say(
          ['groups', g, 'lamps', l],
          `there is no ${group.kind === 'channels' ? 'channel' : 'lamp'} ${lamp}`,
        );
      const key = `${group.kind} ${lamp}`;
      const other = taken.get(key);
      if (other !== undefined) say(['groups', g, 'lamps', l], `it belongs to ${other} already`);
      taken.set(key, group.name);
    });
  });
  of.clips.forEach((clip, i) => {
    if (!of.groups.some((g) => g.id === clip.group))
      say(['clips', i, 'group'], `there is no group “${clip.group}”`);
    if (!(clip.toMilliseconds > clip.fromMilliseconds && clip.fromMilliseconds >= 0))
      say(['clips', i], 'it ends before it begins');
    if (!Object.hasOwn(movingEffects, clip.effect)) {
      say(['clips', i, 'effect'], `there is no effect “${String(clip.effect)}”`);
      return;
    }
    const { parameters, name } = movingEffects[clip.effect];
    parameters.forEach((p, k) => {
      const v = clip.parameters[k];
      if (!(Number.isInteger(v) && v >= p.least && v <= p.most))
        say(
          ['clips', i, 'parameters', k],
          `${p.name} of ${name} is a whole number from ${p.least} to ${p.most}`,
        );
    });
    if (!clip.colour.every((v) => Number.isInteger(v) && v >= 0 && v <= 255))
      say(['clips', i, 'colour'], 'red, green and blue are whole numbers from 0 to 255');
  });
  return doubts;
}
/** Twelve hours: sums stay within 32 bits. */
const MOST_MILLISECONDS = 43_200_000;

/** Scenes in which a lamp flashes so often that it can hurt, with how often. */
export const harmfulClips = (of: Timeline): { readonly clip: number; readonly hertz: number }[] =>
  of.clips.flatMap((c, clip) => {
    const hertz = movingEffects[c.effect].flashesPerSecond(
      c.parameters,
      of.groups.find((g) => g.id === c.group)?.lamps.length ?? 1,
    );
    return hertz >= HARMFUL_HERTZ.least && hertz <= HARMFUL_HERTZ.most ? [{ clip, hertz }] : [];
  });

/** Levels of all channels, then red, green and blue of every lamp of the string, 0 to 255. */
export type Frame = Uint8Array;

/**
 * A time line laid out: a function that writes the frame of a moment. The sums are the program's own.
 * @returns fills a frame of `channels + 3 lamps` levels, for milliseconds since it began
 */
export function laidOut(of: Timeline): (milliseconds: number, into: Frame) => void {
  const seedOf = (clip: number): number => (of.seed + 101 * clip) % SEEDS;
  const groups = of.groups.map((group) => ({
    group,
    clips: of.clips.flatMap((clip, k) =>
      clip.group === group.id
        ? [
            {
              clip,
              level: levelOf(clip.effect),
              seed: seedOf(k),
              byColour: heeds(movingEffects[clip.effect].level, 'c'),
            },
          ]
        : [],
    ),
  }));
  const cap = Math.floor((of.capPercent * 256) / 100);
  const given = { t: 0, i: 0, n: 1, s: 0, c: 0, p: 0, q: 0, r: 0 };
  return (milliseconds, into) => {
    into.fill(0);
    const at = milliseconds % of.lastsMilliseconds;
    for (const { group, clips } of groups) {
      const on = clips.findLast(({ clip }) => clip.fromMilliseconds <= at && at < clip.toMilliseconds);
      if (!on) continue;
      const { clip, level, seed, byColour } = on;
      given.t = at - clip.fromMilliseconds;
      given.n = group.lamps.length;
      given.s = seed;
      [given.p, given.q, given.r] = [
        clip.parameters[0] ?? 0,
        clip.parameters[1] ?? 0,
        clip.parameters[2] ?? 0,
      ];
      for (let i = 0; i < group.lamps.length; i++) {
        given.i = i;
        if (group.kind === 'channels') {
          given.c = 0;
          into[group.lamps[i]] = (level(given) * cap) >> 8;
          continue;
        }
        const first = of.channels + 3 * group.lamps[i];
        given.c = 0;
        let now = level(given);
        for (let c = 0; c < 3; c++) {
          // Most effects are alike in all three colours: their sum is worked out once.
          if (byColour && c > 0) {
            given.c = c;
            now = level(given);
          }
          into[first + c] = (Math.floor((now * clip.colour[c]) / 255) * cap) >> 8;
        }
      }
    }
  };
}
/** Seeds are kept small, so that sums stay within 32 bits. */
const SEEDS = 65_536;

/** Amperes of a lamp of an addressable string: each colour at full, and with nothing lit. */
export interface StringLamp {
  readonly colourAmps: number;
  readonly idleAmps: number;
}

/** The most that is drawn in a time line, and when. */
export interface WorstMoment {
  readonly milliseconds: number;
  readonly amps: number;
}
export interface WorstMoments {
  readonly channels: WorstMoment;
  readonly string: WorstMoment;
}

/**
 * Where in a time line most is drawn, by its channels and by its string: every frame of it is looked at,
 * or where there are more so many evenly over it.
 * Channels count at full as soon as they are lit, as pulses of pins begin together; a string counts its
 * colours by their share, and what controls its lamps.
 */
export function worstMoments(
  of: Timeline,
  channelAmps: readonly number[],
  lamp: StringLamp,
  mostFrames = Infinity,
): WorstMoments {
  const fill = laidOut(of);
  const frame = new Uint8Array(of.channels + 3 * of.lamps);
  let channels: WorstMoment = { milliseconds: 0, amps: 0 };
  let most = -1;
  let mostAt = 0;
  const frames = Math.ceil(of.lastsMilliseconds / of.frameMilliseconds);
  const step = of.frameMilliseconds * Math.max(1, Math.ceil(frames / mostFrames));
  for (let at = 0; at < of.lastsMilliseconds; at += step) {
    fill(at, frame);
    let amps = 0;
    for (let k = 0; k < of.channels; k++) if (frame[k] > 0) amps += channelAmps[k] ?? 0;
    if (amps > channels.amps) channels = { milliseconds: at, amps };
    let levels = 0;
    for (let k = of.channels; k < frame.length; k++) levels += frame[k];
    if (levels > most) [most, mostAt] = [levels, at];
  }
  return {
    channels,
    string: {
      milliseconds: mostAt,
      amps: of.lamps * lamp.idleAmps + (lamp.colourAmps * Math.max(0, most)) / 255,
    },
  };
}
