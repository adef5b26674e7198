import { movingEffects, type MovingEffectName } from './effects';
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
