import { useMemo } from 'react';
import { create } from 'zustand';
import { inOrder } from '../../core/document/in-order';
import type { AnyJob } from '../../core/document/layout';
import type { DirtyStretch } from '../../core/study/contact';
import type { Direction, Setting, State } from '../../core/supply/state';

/** Length of the short loop that a vehicle is tried on, in millimetres on the model. */
export const LOOP_MILLIMETRES = 2000;

/** What a hand is on, of one job: remembered while the application is open, outside undo. */
export interface JobHand {
  readonly power: boolean;
  /** When the power was last switched, on the page's clock, in milliseconds. */
  readonly switchedAt: number;
  /** The supply it is set on for a trial; null for its own. */
  readonly supplyId: string | null;
  /** Inputs a hand was laid on; the others stand as usual. */
  readonly set: State;
  /** It runs on its loop, played live, at this speed of the prototype over these stretches. */
  readonly playing: boolean;
  readonly kilometresPerHour: number;
  /** Which way along the loop, where the supply does not decide it. */
  readonly runs: Direction;
  readonly stretches: readonly DirtyStretch[];
}

export const usualHand: JobHand = {
  power: true,
  switchedAt: 0,
  supplyId: null,
  set: {},
  playing: false,
  kilometresPerHour: 40,
  runs: 'forward',
  stretches: [],
};

/** How the stage is looked at: of the moment, like the controls. */
export interface StageView {
  readonly roof: boolean;
  readonly by: 'night' | 'day';
  readonly side: 'near' | 'far';
}
export const usualView: StageView = { roof: true, by: 'night', side: 'near' };

interface RunStore {
  /** The circuit that is looked at, by job. */
  readonly groups: Readonly<Record<string, string>>;
  readonly chooseGroup: (jobId: string, circuitId: string) => void;
  readonly view: StageView;
  readonly look: (view: Partial<StageView>) => void;
  readonly hands: Readonly<Record<string, Partial<JobHand>>>;
  readonly control: (jobId: string, change: Partial<JobHand>) => void;
  /** Sets one input of a job. */
  readonly setInput: (jobId: string, input: string, setting: Setting) => void;
}

export const useRunStore = create<RunStore>((set, get) => ({
  groups: {},
  chooseGroup: (jobId, circuitId) => set((s) => ({ groups: { ...s.groups, [jobId]: circuitId } })),
  view: usualView,
  look: (view) => set((s) => ({ view: { ...s.view, ...view } })),
  hands: {},
  control: (jobId, change) =>
    set(({ hands }) => {
      const before = { ...usualHand, ...hands[jobId] };
      const switched = change.power !== undefined && change.power !== before.power;
      const at = switched ? { switchedAt: performance.now() } : {};
      return { hands: { ...hands, [jobId]: { ...hands[jobId], ...change, ...at } } };
    }),
  setInput: (jobId, input, setting) =>
    get().control(jobId, { set: { ...get().hands[jobId]?.set, [input]: setting } }),
}));

/** The circuit that is looked at: the one chosen, else the first; undefined when there is none. */
export function useChosenGroup(
  job: AnyJob,
  jobId: string,
): (AnyJob['circuits'][string] & { readonly id: string }) | undefined {
  const chosen = useRunStore((s) => s.groups[jobId]);
  const groups = inOrder(job.circuits);
  return groups.find((g) => g.id === chosen) ?? groups[0];
}

/** What a hand is on, of a job. */
export const handOf = (jobId: string): JobHand => ({ ...usualHand, ...useRunStore.getState().hands[jobId] });

/** The same, as it changes. */
export function useJobHand(jobId: string): JobHand {
  const own = useRunStore((s) => s.hands[jobId]);
  return useMemo(() => ({ ...usualHand, ...own }), [own]);
}
