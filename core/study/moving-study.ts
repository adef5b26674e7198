import { isMoving } from '../document/moving-record';
import { harmfulClips } from '../supply/drivers/timeline';
import { laidOut, type WorstMoments } from '../supply/drivers/laid-out';
import { builtString, fullAmps, levelsIn, timelineOf, worstOf } from './play';
import { stringRun, type BuiltString, type Levels, type StringRun } from './string-run';
import type { Bench } from './bench';
import type { TruthRow } from './truth-table';

/** What is asked of a scene before it is judged. */
export interface MovingStudy {
  readonly worst: WorstMoments;
  /** Scenes that flash as often as can hurt: their id in the document, and how often a second. */
  readonly harmful: readonly { readonly clip: string; readonly hertz: number }[];
  /** Lamps on a channel that no scene lights. */
  readonly unmoved: readonly string[];
  /** The string as it is built, what its lamps show at its worst moment, and solved for it; null without one. */
  readonly string: {
    readonly built: BuiltString;
    readonly levels: (k: number) => Levels;
    readonly run: StringRun;
  } | null;
}

/**
 * A scene over all its frames, its channels at the supply's highest.
 * @returns null for what has no time line
 * @throws CircuitError when its string cannot be solved
 */
export function movingStudy(bench: Bench, highest: readonly TruthRow[]): MovingStudy | null {
  const { job } = bench;
  if (!isMoving(job)) return null;
  const timeline = timelineOf(job);
  const clips = Object.entries(job.timeline.clips).sort(
    ([a, p], [b, q]) => p.order - q.order || (a < b ? -1 : 1),
  );
  const worst = worstOf(
    job,
    fullAmps(
      bench,
      highest.map((r) => r.readings),
    ),
  );
  const lit = new Set(
    clips.flatMap(([, clip]) => {
      const group = job.timeline.groups[clip.group];
      return group.of === 'lamps' ? group.lamps : [];
    }),
  );
  const built = job.string && builtString(job.string);
  const frame = new Uint8Array(timeline.channels + 3 * timeline.lamps);
  laidOut(timeline)(worst.string.milliseconds, frame);
  const levels = levelsIn(frame, timeline);
  return {
    worst,
    harmful: harmfulClips(timeline).map(({ clip, hertz }) => ({ clip: clips[clip][0], hertz })),
    unmoved: Object.entries(job.lamps).flatMap(([id, l]) =>
      l.circuitId !== null && !lit.has(id) ? [id] : [],
    ),
    string: built && { built, levels, run: stringRun(built, levels) },
  };
}
