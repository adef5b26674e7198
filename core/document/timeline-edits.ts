import { freeId } from './usual-supply';
import { usualParameters, type MovingEffectName } from '../supply/drivers/effects';
import type { Draft } from 'immer';
import type { ClipRecord, TimelineRecord } from './moving-record';

type Line = Draft<TimelineRecord>;
/** The least a scene lasts, in milliseconds. */
export const LEAST_CLIP = 100;

/** The nearest moment on a grid, in milliseconds. */
export const snapped = (milliseconds: number, grid: number): number => Math.round(milliseconds / grid) * grid;

/** Moves a scene so that it begins at a moment, within its time line; it lasts as long as before. */
export function moveClip({ clips, lastsMilliseconds }: Line, id: string, from: number): void {
  const clip = clips[id];
  const lasts = clip.toMilliseconds - clip.fromMilliseconds;
  clip.fromMilliseconds = Math.max(0, Math.min(lastsMilliseconds - lasts, Math.round(from)));
  clip.toMilliseconds = clip.fromMilliseconds + lasts;
}

/** Ends a scene at a moment, after it begins and not after its time line. */
export function endClip({ clips, lastsMilliseconds }: Line, id: string, to: number): void {
  const clip = clips[id];
  clip.toMilliseconds = Math.max(
    clip.fromMilliseconds + LEAST_CLIP,
    Math.min(Math.max(lastsMilliseconds, clip.fromMilliseconds + LEAST_CLIP), Math.round(to)),
  );
}

/** Sets the effect of a scene, with its parameters as they commonly are. */
export function setEffect({ clips }: Line, id: string, effect: MovingEffectName): void {
  Object.assign(clips[id], { effect, parameters: usualParameters(effect) });
}

const nextOrder = (clips: Line['clips']): number =>
  1 + Math.max(0, ...Object.values(clips).map((c) => c.order));

/**
 * Adds a scene of a group where it has none yet, after its last one; at the end of the line when that is full.
 * @returns its id
 */
export function addClip(line: Line, group: string, effect: MovingEffectName, lasts: number): string {
  const { clips, lastsMilliseconds } = line;
  const id = freeId(clips, 'clip');
  const last = Math.max(
    0,
    ...Object.values(clips)
      .filter((c) => c.group === group)
      .map((c) => c.toMilliseconds),
  );
  const room = Math.min(lasts, lastsMilliseconds);
  const from = Math.min(last, lastsMilliseconds - room);
  clips[id] = {
    order: nextOrder(clips),
    group,
    fromMilliseconds: from,
    toMilliseconds: from + room,
    effect,
    parameters: usualParameters(effect),
    colour: [255, 255, 255],
  };
  return id;
}

/** Repeats a scene after itself, as often as it fits whole before the end. @returns how often */
export function repeatClip(line: Line, id: string): number {
  const { clips, lastsMilliseconds } = line;
  const of = clips[id];
  const lasts = of.toMilliseconds - of.fromMilliseconds;
  let times = 0;
  for (let from = of.toMilliseconds; from + lasts <= lastsMilliseconds; from += lasts) {
    const copy: ClipRecord = {
      ...of,
      colour: [...of.colour],
      parameters: [...of.parameters],
      order: nextOrder(clips),
      fromMilliseconds: from,
      toMilliseconds: from + lasts,
    };
    clips[freeId(clips, 'clip')] = copy;
    times++;
  }
  return times;
}

/** Takes a group out, and its scenes with it. */
export function dropGroup({ groups, clips }: Line, group: string): void {
  Reflect.deleteProperty(groups, group);
  for (const [id, clip] of Object.entries(clips)) if (clip.group === group) Reflect.deleteProperty(clips, id);
}

/** Makes a time line longer or shorter: scenes are cut where it ends, those that begin after it are gone. */
export function setLength(line: Line, lasts: number): void {
  line.lastsMilliseconds = lasts;
  for (const [id, clip] of Object.entries(line.clips)) {
    if (clip.fromMilliseconds > lasts - LEAST_CLIP) Reflect.deleteProperty(line.clips, id);
    else clip.toMilliseconds = Math.min(clip.toMilliseconds, lasts);
  }
}
