import { attemptPatches } from './gate';
import { startsWith, type Step } from './history';
import { valueAt } from './value-at';
import type { Layout } from './layout';
import type { Patch } from './patch';

/** A place that two windows changed, with what each put there; undefined where it was taken away. */
export interface ClashPlace {
  readonly path: Patch['path'];
  readonly mine: unknown;
  readonly theirs: unknown;
}

/** A step that does not go together with what another window did meanwhile: the person chooses. */
export interface Clash {
  readonly step: Step;
  readonly reason: string;
  readonly places: readonly ClashPlace[];
}

export interface Merged {
  readonly layout: Layout;
  /** Own steps as they hold now, on top of the others'. */
  readonly kept: readonly Step[];
  readonly clashes: readonly Clash[];
}

/**
 * What a patch lays a hand on. Entries of a list move when others come and go, so a change anywhere
 * in a list is about the whole of it.
 */
export function touched({ path }: Patch): Patch['path'] {
  const inList = path.findIndex((key) => typeof key === 'number');
  if (inList >= 0) return path.slice(0, inList);
  return path[path.length - 1] === 'length' ? path.slice(0, -1) : path;
}

const meet = (a: Patch['path'], b: Patch['path']): boolean => startsWith(a, b) || startsWith(b, a);

const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** Whether a patch would change nothing: what it wants is in force already. */
function isInForce(layout: Layout, { op, path, value }: Patch): boolean {
  if (path.some((key) => typeof key === 'number') || path[path.length - 1] === 'length') return false;
  return op === 'remove' ? valueAt(layout, path) === undefined : same(valueAt(layout, path), value);
}

/**
 * Puts own steps on top of others that came first from another window. Steps about other places
 * simply follow; what is in force already is left out; where both changed the same thing, or the
 * two together would be no valid layout, the others' stands and the own step is handed back whole.
 * @param layout as it is after the others' steps
 */
export function merged(layout: Layout, theirs: readonly Step[], mine: readonly Step[]): Merged {
  const taken = theirs.flatMap((s) => s.patches.map(touched));
  const undone = new Set(theirs.filter((s) => s.kind === 'undo').map((s) => s.entryId));
  const kept: Step[] = [];
  const clashes: Clash[] = [];
  let at = layout;
  for (const step of mine) {
    if (step.kind === 'undo' && undone.has(step.entryId)) continue;
    const { patches } = step;
    if (patches.every((p) => isInForce(at, p))) continue;
    const places = patches
      .filter((p) => !isInForce(at, p) && taken.some((path) => meet(path, touched(p))))
      .map(({ path, value }) => ({ path, mine: value as unknown, theirs: valueAt(at, path) }));
    const attempt = places.length === 0 ? attemptPatches(at, patches) : null;
    if (attempt?.ok) {
      at = attempt.change.layout;
      kept.push({ ...step, inverse: attempt.change.inverse });
      continue;
    }
    const all = patches.map((p) => ({ path: p.path, mine: p.value as unknown, theirs: valueAt(at, p.path) }));
    clashes.push({
      step,
      reason: attempt ? attempt.reason : 'both windows changed the same thing',
      places: places.length > 0 ? places : all,
    });
    // What was built on it waits with it.
    taken.push(...step.patches.map(touched));
  }
  return { layout: at, kept, clashes };
}
