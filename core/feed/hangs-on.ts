import { inOrder } from '../document/in-order';
import { usualVoltsOf } from '../supply/usual-volts';
import type { Layout } from '../document/layout';

/** What a place hangs on: a supply, and the volts meant for it, of the supply or of a converter on the way. */
export interface HangsOn {
  readonly supplyId: string;
  readonly volts: number;
  /** The converter whose output it hangs on; null for the supply itself. */
  readonly converter: string | null;
}

/** One way over a run. */
export interface Way {
  readonly run: string;
  readonly to: string;
}

/** The runs at each place, where they go; from a converter's output apart from those at its input. */
export function waysFrom({ network }: Pick<Layout, 'network'>): {
  readonly at: ReadonlyMap<string, readonly Way[]>;
  readonly outOf: ReadonlyMap<string, readonly Way[]>;
} {
  const at = new Map<string, Way[]>();
  const outOf = new Map<string, Way[]>();
  const add = (into: Map<string, Way[]>, from: string, way: Way): void => {
    const own = into.get(from);
    if (own) own.push(way);
    else into.set(from, [way]);
  };
  for (const [run, { from, to, fromOutput }] of Object.entries(network.runs)) {
    add(fromOutput ? outOf : at, from, { run, to });
    add(at, to, { run, to: from });
  }
  return { at, outOf };
}

/** What each place hangs on, found from the supplies over runs and through converters; places that nothing reaches are left out. */
export function hangsOn(layout: Pick<Layout, 'network' | 'supplies'>): ReadonlyMap<string, HangsOn> {
  const { nodes } = layout.network;
  const { at, outOf } = waysFrom(layout);
  const found = new Map<string, HangsOn>();
  const queue: string[] = [];
  const reach = (id: string, of: HangsOn): void => {
    if (found.has(id)) return;
    found.set(id, of);
    queue.push(id);
  };
  const supplies = Object.entries(nodes).filter(([, { is }]) => is.kind === 'supply');
  for (const { id, is } of inOrder(Object.fromEntries(supplies)))
    if (is.kind === 'supply')
      reach(id, {
        supplyId: is.supplyId,
        volts: usualVoltsOf(layout.supplies[is.supplyId]) ?? 0,
        converter: null,
      });
  for (let k = 0; k < queue.length; k++) {
    const id = queue[k];
    const of = found.get(id)!;
    for (const { to } of at.get(id) ?? []) {
      // Backwards into the output of a converter nothing is fed.
      if (nodes[to].is.kind === 'converter' && (outOf.get(to) ?? []).some((w) => w.to === id)) continue;
      reach(to, of);
    }
    const { is } = nodes[id];
    if (is.kind === 'converter')
      for (const { to } of outOf.get(id) ?? []) reach(to, { ...of, volts: is.outVolts, converter: id });
  }
  return found;
}
