import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** What dries, and when it is dry, in milliseconds of the clock. */
export interface Drying {
  readonly taskId: string;
  readonly does: string;
  readonly dryAt: number;
}

interface DryingStore {
  readonly jobs: Readonly<Record<string, Drying | undefined>>;
  readonly begin: (jobId: string, of: Drying) => void;
  readonly end: (jobId: string) => void;
}

/** What dries at the bench; it goes on when the page is opened again. */
export const useDryingStore = create<DryingStore>()(
  persist(
    (set) => ({
      jobs: {},
      begin: (jobId, of) => set((s) => ({ jobs: { ...s.jobs, [jobId]: of } })),
      end: (jobId) => set((s) => ({ jobs: { ...s.jobs, [jobId]: undefined } })),
    }),
    { name: 'hazel-drying' },
  ),
);
