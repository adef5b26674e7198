import { harmfulClips, type Timeline } from './timeline';

/** A time line that hurts nobody: scenes that flash as often as can hurt stand still instead. What is played on a screen. */
export function withoutHarm(of: Timeline): Timeline {
  const harmful = new Set(harmfulClips(of).map((h) => h.clip));
  if (harmful.size === 0) return of;
  return {
    ...of,
    clips: of.clips.map((clip, k) =>
      harmful.has(k) ? { ...clip, effect: 'steady', parameters: [50] } : clip,
    ),
  };
}
