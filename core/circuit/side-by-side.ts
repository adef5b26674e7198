import type { Capacitor, Element, Netlist } from './netlist';

/** The two nodes of an element, whichever way round it stands. */
const ends = ({ a, b }: Capacitor): string => [a, b].sort().join(' ');

/**
 * The same circuit with capacitors that stand over the same two nodes taken as one of their sum, under the
 * first one's name: they have one voltage, and so one state. For what is read between nodes.
 * @returns farads added where they were several; everything else as it was
 */
export function joinedCapacitors(netlist: Netlist): Netlist {
  const first = new Map<string, string>();
  const sums = new Map<string, number>();
  for (const e of netlist.elements) {
    if (e.kind !== 'capacitor') continue;
    const one = first.get(ends(e)) ?? e.id;
    first.set(ends(e), one);
    sums.set(one, (sums.get(one) ?? 0) + e.farads);
  }
  return {
    ...netlist,
    elements: netlist.elements.flatMap((e): Element[] => {
      if (e.kind !== 'capacitor') return [e];
      const farads = sums.get(e.id);
      return farads === undefined ? [] : [{ ...e, farads }];
    }),
  };
}
