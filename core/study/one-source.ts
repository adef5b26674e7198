import { timesAlike } from '../circuit/alike';
import { GROUND, nodesOf, type Element, type Netlist } from '../circuit/netlist';
import { isBehindBridges } from './behind-bridges';
import { loweredAt } from './netlist-at';
import { usualState } from './states';
import type { Stress } from '../supply';
import type { Bench } from './bench';

/** One vehicle, or anything else that hangs on a supply, and when it joins. */
export interface Hanging {
  readonly bench: Bench;
  /** Seconds after the power comes on; 0 for at once. */
  readonly joinsSeconds: number;
}

/** The circuit of all that hangs on one supply. */
export interface OneSource {
  readonly netlist: Netlist;
  /** Circuits it really has: like ones that join together stand as one with a count. */
  readonly groups: number;
  /** DCC whose every load stands behind a full bridge is taken as the steady volts behind it. */
  readonly envelope: boolean;
}

/** Contact of wheels that join later, and what leaks before. */
const [JOINED_OHMS, APART_OHMS] = [0.001, 10e6];

/** With the throttle open, where most is drawn. */
export const fullThrottle = (bench: Bench): ReturnType<typeof usualState> =>
  usualState(bench, bench.supply.kind === 'dc-track' ? { throttle: 1 } : {});

/** The supply's own elements, and those of the job that hangs on them. */
const isOfSupply = (e: Element): boolean => e.of?.part === 'rails' && e.of.role === 'supply';

/** What two circuits have alike when they differ in nothing but names. */
function likeness(elements: readonly Element[], right: string): string {
  const numbers = new Map<string, number>([
    [GROUND, 0],
    [right, 1],
  ]);
  const number = (node: string): number => {
    const known = numbers.get(node) ?? numbers.size;
    numbers.set(node, known);
    return known;
  };
  return JSON.stringify(
    elements.map((e) => [{ ...e, id: '', of: undefined, a: 0, b: 0, c: 0 }, nodesOf(e).map(number)]),
  );
}

/** Elements of one of several circuits, renamed; the two conductors they share keep their names. */
function apart(elements: readonly Element[], group: number, shared: ReadonlyMap<string, string>): Element[] {
  const node = (name: string): string => shared.get(name) ?? `${name}_${group}`;
  return elements.map((e) => ({
    ...e,
    id: `${e.id}_${group}`,
    a: node(e.a),
    b: node(e.b),
    ...(e.kind === 'regulator' || e.kind === 'transistor' ? { c: node(e.c) } : {}),
  }));
}

/**
 * All that hangs on one supply as one circuit, as the power comes on: one source with its own
 * resistance, and what joins at a moment behind a contact that closes then. Like circuits that join
 * together are folded into one (`timesAlike`), which is exact.
 * @param hanging at least one, all on the same supply
 */
export function onOneSource(hanging: readonly Hanging[], stress: Stress = 'highest'): OneSource {
  const lowered = new Map<Bench, ReturnType<typeof loweredAt>>();
  const groups = new Map<
    string,
    { elements: readonly Element[]; right: string; joins: number; count: number }
  >();
  let envelope = hanging[0].bench.supply.kind === 'dcc-track';
  for (const { bench, joinsSeconds } of hanging) {
    const own = lowered.get(bench) ?? loweredAt(bench, fullThrottle(bench), { stress });
    lowered.set(bench, own);
    envelope &&= isBehindBridges(bench, own);
    const right = own.nodeOf.get('rails.right')!;
    const elements = own.netlist.elements.filter((e) => !isOfSupply(e));
    const key = `${joinsSeconds} ${likeness(elements, right)}`;
    const like = groups.get(key);
    if (like) like.count++;
    else groups.set(key, { elements, right, joins: joinsSeconds, count: 1 });
  }
  const [{ bench }] = hanging;
  const first = lowered.get(bench)!;
  const rail = first.nodeOf.get('rails.right')!;
  const supply = first.netlist.elements.filter(isOfSupply);
  const cars = [...groups.values()].flatMap(({ elements, right, joins, count }, g): Element[] => {
    const own = joins > 0 ? `wheels_${g}` : rail;
    const shared = new Map([
      [GROUND, GROUND],
      [right, own],
    ]);
    const contact: Element[] =
      joins > 0
        ? [
            {
              kind: 'switch',
              id: `x_joins_${g}`,
              a: rail,
              b: own,
              onOhms: JOINED_OHMS / count,
              offOhms: APART_OHMS,
              closed: false,
              toggleSeconds: [joins],
            },
          ]
        : [];
    return [...contact, ...apart(elements, g, shared).map((e) => timesAlike(e, count))];
  });
  return {
    netlist: {
      title: `Hazel Spark: ${bench.supplyId} with all that hangs on it`,
      elements: [...supply.map((e) => (envelope ? steady(e) : e)), ...cars],
    },
    groups: groups.size,
    envelope,
  };
}

/** DCC as a full bridge sees it: its amplitude, but for edges of a microsecond. */
const steady = (e: Element): Element =>
  e.kind === 'voltage' && e.wave.kind === 'dcc' ? { ...e, wave: { kind: 'dc', level: e.wave.amplitude } } : e;
