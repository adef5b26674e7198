import { create } from 'zustand';

/** What is wrong with the program itself, where something is; the work is safe in each case. */
export type ProgramTrouble =
  /** What computes stopped twice at the same. */
  | { readonly kind: 'computing' }
  /** Page and worker are of two versions. */
  | { readonly kind: 'updated' }
  /** A part of it could not be fetched: no network, or an update has replaced it. */
  | { readonly kind: 'part' }
  /** Something failed that nothing here expected. */
  | { readonly kind: 'unexpected'; readonly reason: string };

interface ProgramStore {
  readonly trouble: ProgramTrouble | null;
  readonly say: (trouble: ProgramTrouble | null) => void;
}

/** How the program itself stands. */
export const useProgramStore = create<ProgramStore>((set) => ({
  trouble: null,
  say: (trouble) => set({ trouble }),
}));
