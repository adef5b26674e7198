import { create } from 'zustand';
import type { CoachRecord as Job } from '../../core/kinds/coach/record';
import { inOrder } from '../../core/document/in-order';
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

/** How the stage is looked at: of the moment, like the controls. */
export interface StageView {
  readonly roof: boolean;
  readonly by: 'night' | 'day';
  readonly side: 'near' | 'far';
}
export const usualView: StageView = { roof: true, by: 'night', side: 'near' };

interface RunStore {
  /** The group of lamps that is looked at, by job. */
  readonly groups: Readonly<Record<string, string>>;
  readonly chooseGroup: (jobId: string, circuitId: string) => void;
  readonly view: StageView;
  readonly look: (view: Partial<StageView>) => void;
  readonly jobs: Readonly<Record<string, Partial<JobControls>>>;
  readonly set: (jobId: string, controls: Partial<JobControls>) => void;
}

export const useRunStore = create<RunStore>((set) => ({
  groups: {},
  chooseGroup: (jobId, circuitId) => set((s) => ({ groups: { ...s.groups, [jobId]: circuitId } })),
  view: usualView,
  look: (view) => set((s) => ({ view: { ...s.view, ...view } })),
  jobs: {},
  set: (jobId, controls) =>
    set(({ jobs }) => ({ jobs: { ...jobs, [jobId]: { ...jobs[jobId], ...controls } } })),
}));

/** The group of lamps that is looked at: the one chosen, else the first; undefined when there is none. */
export function useChosenGroup(
  job: Job,
  jobId: string,
): (Job['circuits'][string] & { readonly id: string }) | undefined {
  const chosen = useRunStore((s) => s.groups[jobId]);
  const groups = inOrder(job.circuits);
  return groups.find((g) => g.id === chosen) ?? groups[0];
}

/**
 * The controls of a job as they stand.
 * @param throttle what a DC track's lights are made for, until a hand is laid on it
 */
export function useJobControls(jobId: string, throttle: number): JobControls {
  const own = useRunStore((s) => s.jobs[jobId]);
  return { ...usualJobControls, throttle, ...own };
}
