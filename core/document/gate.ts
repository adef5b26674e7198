import { change, changedBy, type Change, type Patch } from './patch';
import { complaintsOf } from './sound';
import type { Draft } from 'immer';
import type { Layout } from './layout';

/** A change that leaves a valid layout, or why there is none. */
export type Attempt =
  { readonly ok: true; readonly change: Change } | { readonly ok: false; readonly reason: string };

function judged(make: () => Change): Attempt {
  let made: Change;
  try {
    made = make();
  } catch (error) {
    return { ok: false, reason: error instanceof Error ? error.message : String(error) };
  }
  if (made.patches.length === 0) return { ok: true, change: made };
  const complaints = complaintsOf(made.layout);
  if (complaints.length === 0) return { ok: true, change: made };
  const more = complaints.length > 1 ? ` (and ${complaints.length - 1} more)` : '';
  return { ok: false, reason: `${complaints[0].reason}${more}` };
}

/**
 * The one gate every change of a layout goes through: edits, cures, recipes, variants. What would
 * leave a layout that could not be read again changes nothing, and says why.
 */
export const attempt = (layout: Layout, recipe: (draft: Draft<Layout>) => unknown): Attempt =>
  judged(() => change(layout, recipe));

/** The same for a change made before, as patches. */
export const attemptPatches = (layout: Layout, patches: readonly Patch[]): Attempt =>
  judged(() => changedBy(layout, patches));
