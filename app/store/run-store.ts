import { create } from 'zustand';

/** Controls of the moment: remembered while the application is open, outside undo. */
interface RunStore {
  /** Whether the track is powered, by job. */
  readonly power: Readonly<Record<string, boolean>>;
  readonly setPower: (jobId: string, on: boolean) => void;
}

export const useRunStore = create<RunStore>((set) => ({
  power: {},
  setPower: (jobId, on) => set(({ power }) => ({ power: { ...power, [jobId]: on } })),
}));
