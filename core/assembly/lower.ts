import { GROUND, type Element, type Netlist } from '../circuit/netlist';
import { netsOf, terminalKey, terminalsOf, type Assembly, type Part } from './assembly';
import { plainName, elementId } from './element-id';
import { elementsOf } from './elements';
import type { Feeding } from './rails-elements';
import type { Supply } from '../supply';

/** A netlist, with the way back to the parts. */
export interface Lowered {
  readonly netlist: Netlist;
  /** Name of the node each terminal lies on; terminals of parts left out have none. */
  readonly nodeOf: ReadonlyMap<string, string>;
  /** Parts with no connection to the supply at all: nothing flows in them. */
  readonly leftOut: readonly string[];
}

/**
 * From what is on the bench to what is solved: parts become elements between nets, bad joints
 * resistors. The left rail, or minus, is ground.
 */
export function lower(assembly: Assembly, supply: Supply, feeding: Feeding = {}): Lowered {
  const nets = netsOf(assembly);
  const ground = nets.get('rails.left')!;
  const { reached, leftOut } = reachable(assembly, nets);
  const names = new Map<string, string>();
  for (const net of nets.values()) {
    if (!reached.has(net)) continue;
    names.set(net, net === ground ? GROUND : nodeName(net));
  }
  const node = (part: Part, terminal: string): string =>
    names.get(nets.get(terminalKey({ part: part.id, terminal }))!)!;
  const elements: Element[] = [];
  const out = new Set(leftOut);
  for (const part of assembly.parts) {
    if (out.has(part.id)) continue;
    elements.push(...elementsOf(part, (terminal) => node(part, terminal), supply, feeding));
  }
  for (const lead of assembly.leads) {
    const a = names.get(nets.get(terminalKey(lead.from))!);
    const b = names.get(nets.get(terminalKey(lead.to))!);
    if (!(lead.jointOhms > 0) || a === undefined || b === undefined || a === b) continue;
    elements.push({
      kind: 'resistor',
      id: elementId('r', lead.id),
      a,
      b,
      ohms: lead.jointOhms,
      of: { part: lead.id, role: 'joint' },
    });
  }
  return {
    netlist: { title: `Hazel Spark: ${assembly.jobId}`, elements },
    nodeOf: new Map(
      [...nets].flatMap(([key, net]) => (names.has(net) ? [[key, names.get(net)!] as const] : [])),
    ),
    leftOut,
  };
}

/** The name of a net's node, from the terminal that names the net: `part.terminal`. */
function nodeName(net: string): string {
  const dot = net.lastIndexOf('.');
  return `${plainName(net.slice(0, dot))}_${plainName(net.slice(dot + 1))}`;
}

/** Nets that some chain of parts and joints ties to a supply, and the parts that are not tied. */
function reachable(
  assembly: Assembly,
  nets: ReadonlyMap<string, string>,
): { reached: Set<string>; leftOut: string[] } {
  const spans = [
    ...assembly.parts.map((p) =>
      terminalsOf[p.kind].map((terminal) => nets.get(terminalKey({ part: p.id, terminal }))!),
    ),
    ...assembly.leads
      .filter((l) => l.jointOhms > 0)
      .map((l) => [nets.get(terminalKey(l.from))!, nets.get(terminalKey(l.to))!]),
  ];
  const at = new Map<string, number[]>();
  spans.forEach((span, i) => {
    for (const net of span) {
      const met = at.get(net);
      if (met) met.push(i);
      else at.set(net, [i]);
    }
  });
  const todo = assembly.parts
    .filter((p) => p.kind === 'rails')
    .flatMap((p) => terminalsOf.rails.map((terminal) => nets.get(terminalKey({ part: p.id, terminal }))!));
  const reached = new Set(todo);
  for (let net = todo.pop(); net !== undefined; net = todo.pop()) {
    for (const i of at.get(net) ?? []) {
      for (const next of spans[i]) {
        if (reached.has(next)) continue;
        reached.add(next);
        todo.push(next);
      }
    }
  }
  const leftOut = assembly.parts.filter((_, i) => !spans[i].some((n) => reached.has(n))).map((p) => p.id);
  return { reached, leftOut };
}
