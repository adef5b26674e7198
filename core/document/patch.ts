import { enablePatches, produceWithPatches, type Draft, type Patch } from 'immer';
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
  return changedBy(layout, patches).layout;
}

/**
 * Applies patches to a layout and finds those that take back exactly what they did there. They mean
 * what immer's mean, but any id may stand in a path: immer refuses a job called `constructor`.
 * @throws Error naming the path when what a patch is about has gone
 */
export function changedBy(layout: Layout, patches: readonly Patch[]): Change {
  let at: unknown = layout;
  const inverse: Patch[] = [];
  for (const patch of patches) {
    if (patch.path.length === 0) {
      inverse.unshift({ op: 'replace', path: [], value: at });
      at = patch.value;
    } else at = applied(at, patch, 0, inverse);
  }
  return { layout: at as Layout, patches, inverse };
}

type Plain = Record<string | number, unknown>;

/** A copy of what stands at a depth of a patch's path, with the patch applied; its inverse is put before the others. */
function applied(at: unknown, patch: Patch, depth: number, inverse: Patch[]): unknown {
  const { path } = patch;
  const key = path[depth];
  if (typeof at !== 'object' || at === null) throw new Error(`${path.join('.')} is no longer there`);
  const last = depth === path.length - 1;
  if (!last && !Object.hasOwn(at, key)) throw new Error(`${path.join('.')} is no longer there`);
  if (Array.isArray(at)) {
    const copy = [...(at as unknown[])];
    if (last) patchArray(copy, patch, key, inverse);
    else copy[Number(key)] = applied(copy[Number(key)], patch, depth + 1, inverse);
    return copy;
  }
  const old: unknown = Object.hasOwn(at, key) ? (at as Plain)[key] : undefined;
  if (!last) return { ...at, [key]: applied(old, patch, depth + 1, inverse) };
  const was = Object.hasOwn(at, key);
  if (patch.op === 'remove') {
    if (was) inverse.unshift({ op: 'add', path, value: old });
    return Object.fromEntries(Object.entries(at).filter(([k]) => k !== String(key)));
  }
  inverse.unshift(was ? { op: 'replace', path, value: old } : { op: 'remove', path });
  return { ...at, [key]: patch.value };
}

function patchArray(
  into: unknown[],
  { op, path, value }: Patch,
  key: string | number,
  inverse: Patch[],
): void {
  const placed = (index: number): (string | number)[] => [...path.slice(0, -1), index];
  if (key === 'length') {
    const kept = Math.max(0, Math.min(into.length, Number(value)));
    const gone = into.splice(kept);
    inverse.unshift(...gone.map((value, i): Patch => ({ op: 'add', path: placed(kept + i), value })));
    return;
  }
  const index = key === '-' ? into.length : Number(key);
  if (op === 'add') {
    into.splice(index, 0, value);
    inverse.unshift({ op: 'remove', path: placed(index) });
  } else if (index >= into.length) throw new Error(`${path.join('.')} is no longer there`);
  else if (op === 'remove') inverse.unshift({ op: 'add', path, value: into.splice(index, 1)[0] });
  else {
    inverse.unshift({ op: 'replace', path, value: into[index] });
    into[index] = value;
  }
}

/** The patches that make one plain value of another, at a path. Lists are replaced whole. */
export function patchesBetween(before: unknown, after: unknown, path: Patch['path']): Patch[] {
  if (before === after) return [];
  const plain = (v: unknown): v is Plain => typeof v === 'object' && v !== null && !Array.isArray(v);
  if (!plain(before) || !plain(after))
    return JSON.stringify(before) === JSON.stringify(after) ? [] : [{ op: 'replace', path, value: after }];
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((key): Patch[] => {
    const at = [...path, key];
    if (!Object.hasOwn(after, key)) return [{ op: 'remove', path: at }];
    if (!Object.hasOwn(before, key)) return [{ op: 'add', path: at, value: after[key] }];
    return patchesBetween(before[key], after[key], at);
  });
}
