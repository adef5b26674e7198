import { heeds } from './effects/whole';
import { levelOf } from './effects/level-of';
import { movingEffects } from './effects';
import type { Timeline } from './timeline';

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
