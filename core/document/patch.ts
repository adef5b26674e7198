import { applyPatches, enablePatches, produceWithPatches, type Draft, type Patch } from 'immer';
import type { Layout } from './layout';

enablePatches();

export type { Patch };

/** A change of the layout as patches, and those that take it back. */
export interface Change {
  readonly layout: Layout;
  readonly patches: readonly Patch[];
  readonly inverse: readonly Patch[];
}

/** Makes a change by a recipe on a draft; what the recipe returns is not heeded. */
export function change(layout: Layout, recipe: (draft: Draft<Layout>) => unknown): Change {
  const [next, patches, inverse] = produceWithPatches(layout, (draft) => {
    recipe(draft);
  });
  return { layout: next, patches, inverse };
}

/**
 * Applies patches to a layout.
 * @throws Error naming the path when what a patch is about has gone
 */
export function patched(layout: Layout, patches: readonly Patch[]): Layout {
  for (const { path } of patches) {
    let at: unknown = layout;
    for (const step of path.slice(0, -1)) {
      at = typeof at === 'object' && at !== null ? (at as Record<string | number, unknown>)[step] : undefined;
    }
    if (typeof at !== 'object' || at === null) throw new Error(`${path.join('.')} is no longer there`);
  }
  return applyPatches(layout, patches as Patch[]);
}
