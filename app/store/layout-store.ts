import { create } from 'zustand';
import { attempt, attemptPatches, type Attempt } from '../../core/document/gate';
import { advanced, noStacks, type Entry, type Stacks, type Step } from '../../core/document/history';
import type { Patch } from '../../core/document/patch';
import type { Layout } from '../../core/document/layout';
import type { Draft } from 'immer';
import type { Choice } from '../storage/database';

/** Why an edit was not made, for as long as it is shown beside what was pressed. */
export interface Refusal {
  readonly label: string;
  readonly reason: string;
}

interface LayoutStore {
  readonly layout: Layout | null;
  /** What it is kept under; null for one that is not kept. */
  readonly layoutId: string | null;
  readonly past: readonly Entry[];
  readonly future: readonly Entry[];
  /** Changes that did not go together with another window's. */
  readonly choices: readonly Choice[];
  readonly refusal: Refusal | null;
  /** Opens a layout; every step made of it is handed to `keep`. */
  readonly open: (layout: Layout, from?: Partial<OpenedFrom>) => void;
  readonly close: () => void;
  /** Another window's steps are in. */
  readonly take: (layout: Layout, stacks: Stacks, choices: readonly Choice[] | null) => void;
  readonly setChoices: (choices: readonly Choice[]) => void;
  /** Makes an edit at the gate; one that is not made says why in `refusal`. Edits of one key that follow one another are one step back. */
  readonly edit: (label: string, recipe: (draft: Draft<Layout>) => void, key?: string) => void;
  /** The same for patches, as a remedy has them. @returns why it was not made; null when it was */
  readonly apply: (label: string, patches: readonly Patch[]) => string | null;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly dismiss: () => void;
}

interface OpenedFrom {
  readonly layoutId: string;
  readonly stacks: Stacks;
  readonly choices: readonly Choice[];
  readonly keep: (step: Step) => void;
}

/** Tells the steps of this window from those of any other; needs no secure origin. */
const windowName = Array.from(crypto.getRandomValues(new Uint8Array(6)), (b) => b.toString(16)).join('');
let count = 0;
const nextId = (): string => `${windowName}-${++count}`;

/** The open layout, and every change to it as steps of its history. */
export const useLayoutStore = create<LayoutStore>((set, get) => {
  let keep: (step: Step) => void = () => undefined;
  /** The entry that edits of a key go on, as long as nothing else comes between. */
  let drag: { readonly key: string; readonly entryId: string } | null = null;

  const make = (step: Omit<Step, 'id' | 'at'> & { readonly id?: string }, layout: Layout): void => {
    const { past, future } = get();
    const whole: Step = { ...step, id: step.id ?? nextId(), at: Date.now() };
    set({ layout, ...advanced({ past, future }, whole), refusal: null });
    keep(whole);
  };
  const finish = (label: string, made: Attempt, key?: string): string | null => {
    if (!made.ok) {
      set({ refusal: { label, reason: made.reason } });
      return made.reason;
    }
    const { layout, patches, inverse } = made.change;
    if (patches.length === 0) return null;
    const id = nextId();
    const { past } = get();
    const goesOn = drag !== null && drag.key === key && past[past.length - 1]?.id === drag.entryId;
    const entryId = goesOn ? drag!.entryId : id;
    drag = key === undefined ? null : { key, entryId };
    make({ id, kind: 'edit', entryId, label, patches, inverse }, layout);
    return null;
  };
  const step = (entry: Entry | undefined, kind: 'undo' | 'redo'): void => {
    const { layout } = get();
    if (!layout || !entry) return;
    const [patches, inverse] =
      kind === 'undo' ? [entry.inverse, entry.patches] : [entry.patches, entry.inverse];
    const made = attemptPatches(layout, patches);
    drag = null;
    if (made.ok) make({ kind, entryId: entry.id, label: entry.label, patches, inverse }, made.change.layout);
    else set({ refusal: { label: entry.label, reason: made.reason } });
  };
  return {
    layout: null,
    layoutId: null,
    past: [],
    future: [],
    choices: [],
    refusal: null,
    open: (layout, from = {}) => {
      keep = from.keep ?? (() => undefined);
      drag = null;
      set({
        layout,
        layoutId: from.layoutId ?? null,
        ...(from.stacks ?? noStacks),
        choices: from.choices ?? [],
        refusal: null,
      });
    },
    close: () => {
      keep = () => undefined;
      set({ layout: null, layoutId: null, ...noStacks, choices: [], refusal: null });
    },
    take: (layout, stacks, choices) => set({ layout, ...stacks, choices: choices ?? get().choices }),
    setChoices: (choices) => set({ choices }),
    edit: (label, recipe, key) => {
      const { layout } = get();
      if (layout) finish(label, attempt(layout, recipe), key);
    },
    apply: (label, patches) => {
      const { layout } = get();
      return layout ? finish(label, attemptPatches(layout, patches)) : 'No layout is open.';
    },
    undo: () => step(get().past[get().past.length - 1], 'undo'),
    redo: () => step(get().future[0], 'redo'),
    dismiss: () => set({ refusal: null }),
  };
});
