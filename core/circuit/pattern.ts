import type { Plan } from './plan';

/** Every entry of the equations that may become nonzero, as [row, column]. */
export function patternOf(plan: Plan): [number, number][] {
  const { unknowns, nodes, resistors, voltages, states, junctions, limiters, switches } = plan;
  const { regulators, transistors } = plan;
  const pattern: [number, number][] = nodes.map((_, n) => [n, n]);
  const add = (row: number, column: number): void => {
    if (row < unknowns && column < unknowns) pattern.push([row, column]);
  };
  for (const t of [resistors, junctions, limiters, switches]) {
    t.ids.forEach((_, k) => {
      add(t.a[k], t.b[k]);
      add(t.b[k], t.a[k]);
    });
  }
  regulators.ids.forEach((_, k) => {
    const ends = [regulators.a[k], regulators.b[k], regulators.c[k]];
    for (const row of ends.slice(0, 2)) for (const column of ends) add(row, column);
  });
  transistors.ids.forEach((_, k) => {
    const ends = [transistors.a[k], transistors.b[k], transistors.c[k]];
    for (const row of ends) for (const column of ends) add(row, column);
  });
  for (const t of [voltages, states]) {
    t.branch.forEach((branch, k) => {
      for (const end of [t.a[k], t.b[k]]) {
        add(end, branch);
        add(branch, end);
      }
      if (t === states) add(branch, branch);
    });
  }
  return pattern;
}

/**
 * For each unknown the equation it is eliminated with. A source's own equation has no term in its
 * current, so it is paired with the voltage of one of its nodes, along a forest rooted at ground;
 * the same serves capacitors during a run and inductors at rest.
 */
export function pivotRows(plan: Plan, still: boolean): Int32Array {
  const { unknowns, voltages, states } = plan;
  const pivots = Int32Array.from({ length: unknowns }, (_, i) => i);
  const links: { a: number; b: number; branch: number }[] = [];
  voltages.branch.forEach((branch, k) => links.push({ a: voltages.a[k], b: voltages.b[k], branch }));
  states.branch.forEach((branch, k) => {
    const capacitor = k < states.capacitors;
    if (capacitor !== still) links.push({ a: states.a[k], b: states.b[k], branch });
  });
  const touching = new Map<number, typeof links>();
  for (const l of links) {
    for (const end of [l.a, l.b]) touching.set(end, [...(touching.get(end) ?? []), l]);
  }
  const reached = new Set<number>();
  const grow = (root: number): void => {
    const queue = [root];
    reached.add(root);
    for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
      for (const l of touching.get(at) ?? []) {
        const child = l.a === at ? l.b : l.a;
        if (reached.has(child)) continue;
        reached.add(child);
        pivots[child] = l.branch;
        pivots[l.branch] = child;
        queue.push(child);
      }
    }
  };
  grow(unknowns);
  for (const node of touching.keys()) if (!reached.has(node)) grow(node);
  return pivots;
}
