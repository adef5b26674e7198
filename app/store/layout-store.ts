import { create } from 'zustand';
import { change, patched, type Patch } from '../../core/document/patch';
import type { Layout } from '../../core/document/layout';
import type { Draft } from 'immer';

interface Entry {
  readonly label: string;
  /** Edits with the same key that follow one another are one step back. */
  readonly key: string | null;
  readonly patches: readonly Patch[];
  readonly inverse: readonly Patch[];
}

/** Steps that can be taken back. */
const MOST_ENTRIES = 300;

interface LayoutStore {
  readonly layout: Layout | null;
  /** Counts edits, so that storage knows when there is something to save. */
  readonly revision: number;
  readonly past: readonly Entry[];
  readonly future: readonly Entry[];
  readonly open: (layout: Layout) => void;
  readonly edit: (label: string, recipe: (draft: Draft<Layout>) => void, key?: string) => void;
  /** Applies patches, as a remedy has them; says why when their path has gone. */
  readonly apply: (label: string, patches: readonly Patch[]) => string | null;
  /** Puts another layout in place of this one; can be taken back. */
  readonly replace: (label: string, layout: Layout) => void;
  readonly undo: () => void;
  readonly redo: () => void;
}

/** The open layout, and every change to it as patches. */
export const useLayoutStore = create<LayoutStore>((set, get) => {
  const push = (layout: Layout, entry: Entry): void => {
    const { past, revision } = get();
    const last = past[past.length - 1];
    const joined =
      entry.key !== null && last?.key === entry.key
        ? {
            ...entry,
            patches: [...last.patches, ...entry.patches],
            inverse: [...entry.inverse, ...last.inverse],
          }
        : null;
    const next = joined ? [...past.slice(0, -1), joined] : [...past, entry];
    set({ layout, past: next.slice(-MOST_ENTRIES), future: [], revision: revision + 1 });
  };
  return {
    layout: null,
    revision: 0,
    past: [],
    future: [],
    open: (layout) => set({ layout, past: [], future: [] }),
    edit: (label, recipe, key) => {
      const { layout } = get();
      if (!layout) return;
      const made = change(layout, recipe);
      if (made.patches.length > 0) push(made.layout, { label, key: key ?? null, ...made });
    },
    apply: (label, patches) => {
      const { layout } = get();
      if (!layout) return 'No layout is open.';
      try {
        const next = patched(layout, patches);
        const made = change(layout, (draft) => {
          Object.assign(draft, next);
        });
        push(next, { label, key: null, patches, inverse: made.inverse });
        return null;
      } catch (error) {
        return error instanceof Error ? error.message : String(error);
      }
    },
    replace: (label, layout) => {
      const { layout: old } = get();
      const whole = (value: Layout): Patch[] => [{ op: 'replace', path: [], value }];
      if (!old) get().open(layout);
      else push(layout, { label, key: null, patches: whole(layout), inverse: whole(old) });
    },
    undo: () => {
      const { layout, past, future, revision } = get();
      const entry = past[past.length - 1];
      if (!layout || !entry) return;
      set({
        layout: patched(layout, entry.inverse),
        past: past.slice(0, -1),
        future: [entry, ...future],
        revision: revision + 1,
      });
    },
    redo: () => {
      const { layout, past, future, revision } = get();
      const entry = future[0];
      if (!layout || !entry) return;
      set({
        layout: patched(layout, entry.patches),
        past: [...past, { ...entry, key: null }],
        future: future.slice(1),
        revision: revision + 1,
      });
    },
  };
});
