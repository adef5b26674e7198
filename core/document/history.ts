import { patched, type Patch } from './patch';
import type { Layout } from './layout';

/**
 * One step of a layout's history. The history only grows: taking back is a step too, so that two
 * windows can write to it, and every state there ever was can be had again.
 */
export interface Step {
  readonly id: string;
  readonly kind: 'edit' | 'undo' | 'redo';
  /** The entry it begins or joins, takes back or makes again. A drag is many steps of one entry. */
  readonly entryId: string;
  readonly label: string;
  /** The person's clock, in milliseconds since 1970. */
  readonly at: number;
  readonly patches: readonly Patch[];
  readonly inverse: readonly Patch[];
}

/** What one press of undo takes back. */
export interface Entry {
  readonly id: string;
  readonly label: string;
  readonly patches: readonly Patch[];
  readonly inverse: readonly Patch[];
}

/** What can be taken back, the newest last, and what can be made again, the next first. */
export interface Stacks {
  readonly past: readonly Entry[];
  readonly future: readonly Entry[];
}

export const noStacks: Stacks = { past: [], future: [] };

/** Entries that can be taken back one by one; older states are had from the history. */
export const MOST_ENTRIES = 1000;

/** What can be taken back and made again after one more step. */
export function advanced({ past, future }: Stacks, step: Step): Stacks {
  const { entryId: id, label, patches, inverse } = step;
  if (step.kind === 'undo') {
    return {
      past: past.filter((e) => e.id !== id),
      future: [{ id, label, patches: inverse, inverse: patches }, ...future.filter((e) => e.id !== id)],
    };
  }
  if (step.kind === 'redo') {
    return {
      past: [...past.filter((e) => e.id !== id), { id, label, patches, inverse }].slice(-MOST_ENTRIES),
      future: future.filter((e) => e.id !== id),
    };
  }
  // Another window's entries may have come between the steps of a drag; they are about other things.
  const begun = past.findLast((e) => e.id === id);
  if (!begun) return { past: [...past, { id, label, patches, inverse }].slice(-MOST_ENTRIES), future: [] };
  const joined: Entry = {
    id,
    label,
    patches: compacted([...begun.patches, ...patches]),
    inverse: compacted([...inverse, ...begun.inverse]),
  };
  return { past: [...past.filter((e) => e !== begun), joined], future: [] };
}

/** The same for many steps from the beginning. */
export function stacksOf(steps: readonly Step[]): Stacks {
  return steps.slice(-2 * MOST_ENTRIES).reduce(advanced, noStacks);
}

/** The layout after steps, from what it was before them. @throws Error when a step does not fit */
export function replayed(from: Layout, steps: readonly Step[]): Layout {
  return steps.reduce((layout, step) => patched(layout, step.patches), from);
}

/** Two steps of one entry that followed one another, as one. */
export function joinedSteps(first: Step, second: Step): Step {
  return {
    ...second,
    id: first.id,
    patches: compacted([...first.patches, ...second.patches]),
    inverse: compacted([...second.inverse, ...first.inverse]),
  };
}

/** Leaves out what a later patch puts another value over; a drag keeps only where it ended. */
export function compacted(patches: readonly Patch[]): readonly Patch[] {
  const plain = patches.every((p) => p.op === 'replace' && p.path.length > 0 && !p.path.includes('length'));
  if (!plain) return patches;
  const byPath = new Map<string, Patch>();
  for (const patch of patches) byPath.set(JSON.stringify(patch.path), patch);
  const paths = [...byPath.values()].map((p) => p.path);
  const nested = paths.some((a) => paths.some((b) => a !== b && startsWith(b, a)));
  return nested ? patches : [...byPath.values()];
}

/** Whether a path lies at or below another. */
export const startsWith = (path: Patch['path'], start: Patch['path']): boolean =>
  start.length <= path.length && start.every((key, i) => String(path[i]) === String(key));
