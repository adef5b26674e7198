import { GROUND, type Element, type Netlist, type Provenance } from '../circuit/netlist';
import { fitLed, leds } from '../part/led';
import { rectifiers } from '../part/rectifier';
import { supplyKind, type Supply } from '../supply';
import { netsOf, terminalKey, terminalsOf, type Assembly, type Part } from './assembly';

/** Keeps the far side of a bridge from floating where nothing else does. */
const BLEED_OHMS = 10e6;
/** Leakage of an aged aluminium electrolytic: 0.002 CV in microamperes for microfarads (from memory). */
const LEAK_OHM_FARADS = 500;

/** A netlist, with the way back to the parts. */
export interface Lowered {
  readonly netlist: Netlist;
  /** Name of the node each terminal lies on; terminals of parts left out have none. */
  readonly nodeOf: ReadonlyMap<string, string>;
  /** Parts with no connection to the supply at all: nothing flows in them. */
  readonly leftOut: readonly string[];
}

export interface Feeding {
  /** Amplitude to use in place of the supply's own, in volts. */
  readonly volts?: number;
  /** True for rails that nothing feeds any more. */
  readonly cut?: boolean;
}

/** An element's id for a part: what it is, and a name a deck can carry. */
export const elementId = (letter: string, part: string): string =>
  `${letter}_${part.replace(/[^a-z0-9]+/gi, '_').toLowerCase()}`;

/**
 * From what is on the bench to what is solved: parts become elements between nets, bad joints
 * resistors. The left rail is ground.
 */
export function lower(assembly: Assembly, supply: Supply, feeding: Feeding = {}): Lowered {
  const nets = netsOf(assembly);
  const ground = nets.get('rails.left')!;
  const { reached, leftOut } = reachable(assembly, nets);
  const names = new Map<string, string>();
  for (const net of nets.values()) {
    if (!reached.has(net)) continue;
    names.set(net, net === ground ? GROUND : net.replace(/[^a-z0-9]+/gi, '_').toLowerCase());
  }
  const node = (part: Part, terminal: string): string =>
    names.get(nets.get(terminalKey({ part: part.id, terminal }))!)!;
  const elements: Element[] = [];
  for (const part of assembly.parts) {
    if (leftOut.includes(part.id)) continue;
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

/** Nets that some chain of parts and joints ties to the rails, and the parts that are not tied. */
function reachable(
  assembly: Assembly,
  nets: ReadonlyMap<string, string>,
): { reached: Set<string>; leftOut: string[] } {
  const reached = new Set([nets.get('rails.left')!, nets.get('rails.right')!]);
  const spans = assembly.parts.map((p) =>
    terminalsOf[p.kind].map((terminal) => nets.get(terminalKey({ part: p.id, terminal }))!),
  );
  const joints = assembly.leads
    .filter((l) => l.jointOhms > 0)
    .map((l) => [nets.get(terminalKey(l.from))!, nets.get(terminalKey(l.to))!]);
  for (let grown = true; grown;) {
    grown = false;
    for (const span of [...spans, ...joints]) {
      if (!span.some((n) => reached.has(n)) || span.every((n) => reached.has(n))) continue;
      span.forEach((n) => reached.add(n));
      grown = true;
    }
  }
  const leftOut = assembly.parts.filter((_, i) => !spans[i].some((n) => reached.has(n))).map((p) => p.id);
  return { reached, leftOut };
}

function elementsOf(
  part: Part,
  node: (terminal: string) => string,
  supply: Supply,
  feeding: Feeding,
): Element[] {
  const of = (role: string): Provenance => ({ path: part.path, part: part.id, role });
  switch (part.kind) {
    case 'rails': {
      const rails = { right: node('right'), left: node('left') };
      // Dead rails still tie both sides to something, through what leaks.
      if (feeding.cut) {
        return [
          {
            kind: 'resistor',
            id: 'r_dead_rails',
            a: rails.right,
            b: rails.left,
            ohms: BLEED_OHMS,
            of: of('dead rails'),
          },
        ];
      }
      return supplyKind(supply).lower(supply, rails, feeding.volts ?? null, of('supply'));
    }
    case 'bridge': {
      const { model } = rectifiers[part.diode];
      const [right, left, plus, minus] = terminalsOf.bridge.map(node);
      const diode = (n: number, a: string, b: string): Element => ({
        kind: 'diode',
        id: `d_${part.id}_${n}`,
        a,
        b,
        model,
        of: of(`diode ${n}`),
      });
      const bleed = (end: string, from: string): Element => ({
        kind: 'resistor',
        id: `r_${part.id}_bleed_${end}`,
        a: from,
        b: GROUND,
        ohms: BLEED_OHMS,
        of: of('bleed'),
      });
      return [
        diode(1, right, plus),
        diode(2, left, plus),
        diode(3, minus, right),
        diode(4, minus, left),
        bleed('plus', plus),
        bleed('minus', minus),
      ];
    }
    case 'resistor':
      return [
        {
          kind: 'resistor',
          id: elementId('r', part.id),
          a: node('one'),
          b: node('two'),
          ohms: part.ohms,
          of: of(part.role),
        },
      ];
    case 'electrolytic':
      return [
        {
          kind: 'capacitor',
          id: elementId('c', part.id),
          a: node('plus'),
          b: node('minus'),
          farads: part.farads,
          of: of('reservoir'),
        },
        {
          kind: 'resistor',
          id: elementId('r', `${part.id}_leak`),
          a: node('plus'),
          b: node('minus'),
          ohms: LEAK_OHM_FARADS / part.farads,
          of: of('leak'),
        },
      ];
    case 'lamp':
      return [
        {
          kind: 'diode',
          id: elementId('d', part.id),
          a: node('anode'),
          b: node('cathode'),
          model: fitLed(leds[part.led]),
          of: of('lamp'),
        },
      ];
  }
}
