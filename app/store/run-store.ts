import { create } from 'zustand';
import type { RunControls } from '../../core/study/live-run';

/** Controls of the moment of one job: remembered while the application is open, outside undo. */
export interface JobControls extends RunControls {
  /** Whether the coach runs on its loop, played live. */
  readonly playing: boolean;
}

/** Length of the short loop that a coach is tried on, in millimetres on the model. */
export const LOOP_MILLIMETRES = 2000;

export const usualJobControls: JobControls = {
  power: true,
  throttle: 1,
  direction: 'forward',
  kilometresPerHour: 40,
  stretches: [],
  playing: false,
};

interface RunStore {
  readonly jobs: Readonly<Record<string, Partial<JobControls>>>;
  readonly set: (jobId: string, controls: Partial<JobControls>) => void;
}

export const useRunStore = create<RunStore>((set) => ({
  jobs: {},
  set: (jobId, controls) =>
    set(({ jobs }) => ({ jobs: { ...jobs, [jobId]: { ...jobs[jobId], ...controls } } })),
}));

/**
 * The controls of a job as they stand.
 * @param throttle what a DC track's lights are made for, until a hand is laid on it
 */
export function useJobControls(jobId: string, throttle: number): JobControls {
  const own = useRunStore((s) => s.jobs[jobId]);
  return { ...usualJobControls, throttle, ...own };
}
