import { create } from 'zustand';

/** Where a scene is in its time line, and whether it runs. */
export interface SceneClock {
  readonly runs: boolean;
  /** In milliseconds, at `since` on the page's clock. */
  readonly at: number;
  readonly since: number;
}

interface SceneClocks {
  readonly clocks: Readonly<Record<string, SceneClock>>;
  /** The scene of the time line that is looked at, by job. */
  readonly chosen: Readonly<Record<string, string>>;
  readonly set: (jobId: string, clock: Partial<Pick<SceneClock, 'runs' | 'at'>>) => void;
  readonly choose: (jobId: string, clip: string) => void;
}

const usual: SceneClock = { runs: true, at: 0, since: 0 };

/** Clocks of scenes, of the moment, outside undo; what moves with them reads them each frame and is not drawn anew by React. */
export const useSceneClocks = create<SceneClocks>((set) => ({
  clocks: {},
  chosen: {},
  set: (jobId, change) =>
    set(({ clocks }) => {
      const now = { ...(clocks[jobId] ?? usual), at: momentOf(clocks[jobId]), since: performance.now() };
      return { clocks: { ...clocks, [jobId]: { ...now, ...change } } };
    }),
  choose: (jobId, clip) => set(({ chosen }) => ({ chosen: { ...chosen, [jobId]: clip } })),
}));

/** Milliseconds since its time line began; it goes on over its end. */
export function momentOf(clock: SceneClock | undefined): number {
  const { runs, at, since } = clock ?? usual;
  return runs ? at + performance.now() - since : at;
}

/** The same, of a job, at this moment. */
export const momentNow = (jobId: string): number => momentOf(useSceneClocks.getState().clocks[jobId]);
