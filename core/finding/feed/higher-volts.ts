import { change, patched, type Patch } from '../../document/patch';
import { inOrder } from '../../document/in-order';
import { freeId } from '../../document/usual-supply';
import { boardAt } from '../../feed/board-at';
import { hangsOn } from '../../feed/hangs-on';
import { feedStudy } from '../../feed/study';
import { formatQuantity } from '../../quantity/format';
import { planWires, runsOf } from './plan-wires';
import type { Layout } from '../../document/layout';
import type { RunRecord } from '../../document/network-record';

/** Step-down converters as they are commonly bought: price by what they give, and how much stays in them (common practice, no source). */
const converters = [
  { amps: 2, price: 4 },
  { amps: 5, price: 9 },
  { amps: 10, price: 18 },
] as const;
const EFFICIENCY = 0.88;
const HEADROOM_VOLTS = 2;
/** Above this no supply of a layout is taken: what is safe to touch ends there in places (common practice, no source). */
const MOST_VOLTS = 24;
/** What the record of a bus holds at its highest. */
const MOST_HIGHEST_VOLTS = 40;
/** A converter is chosen for this much above what flows. */
const ABOVE = 1.25;
/** From a converter to what it feeds. */
const LEAD_MILLIMETRES = 100;
const BESIDE_MILLIMETRES = 40;

/** A way to bring the power under the boards. */
export interface FeedWay {
  readonly name: string;
  /** Of the supply. */
  readonly volts: number;
  /** Wire and fuses of the supply's runs, thinnest that will do, and converters; in the layout's currency. */
  readonly wires: number;
  readonly converters: number;
  /** What the supply gives, in amperes, and what is lost in wires and converters, in watts. */
  readonly amps: number;
  readonly lostWatts: number;
  /** Lightness of its dimmest lamp, of 100; null where it has none. */
  readonly dimmest: number | null;
  readonly kept: boolean;
  readonly patches: readonly Patch[];
}

/** A layout whose supply has twice the volts, with a step-down for the wiring of each board; and the supply it has then. */
export interface HigherVolts {
  readonly layout: Layout;
  readonly supplyId: string;
  readonly patches: readonly Patch[];
}

/** Whether a supply can be taken with twice its volts: a bus of direct current, and no more than is safe. */
export const canBeDoubled = (layout: Layout, supplyId: string): boolean => {
  const supply = layout.supplies[supplyId];
  return (
    supply.kind === 'layout-bus' &&
    2 * supply.volts <= MOST_VOLTS &&
    2 * supply.highestVolts <= MOST_HIGHEST_VOLTS
  );
};

/** Runs of a supply that lead from it or from board to board: where the higher volts go. */
function trunkOf(layout: Layout, supplyId: string): Set<string> {
  const { nodes, runs } = layout.network;
  const on = hangsOn(layout);
  return new Set(
    runsOf(layout, supplyId).filter((id) => {
      const { from, to, fromOutput } = runs[id];
      if (fromOutput || on.get(from)?.converter !== null) return false;
      if ([from, to].some((n) => nodes[n].is.kind === 'supply')) return true;
      return boardAt(layout, nodes[from]) !== boardAt(layout, nodes[to]);
    }),
  );
}

/** The places that hang together over runs that stay, by one of them. */
function islandsOf(layout: Layout, runs: readonly RunRecord[]): (node: string) => string {
  const root = new Map<string, string>(Object.keys(layout.network.nodes).map((id) => [id, id]));
  const find = (id: string): string => (root.get(id) === id ? id : find(root.get(id)!));
  for (const { from, to } of runs) root.set(find(from), find(to));
  return find;
}

/**
 * The same network on twice the volts: what leads from the supply and from board to board carries them,
 * and before the wiring of each board stands a converter to the volts it had.
 * @returns null where the supply cannot be doubled or nothing hangs on it
 */
export function atHigherVolts(layout: Layout, supplyId: string): HigherVolts | null {
  if (!canBeDoubled(layout, supplyId)) return null;
  const supply = layout.supplies[supplyId];
  if (supply.kind !== 'layout-bus') return null;
  const trunk = trunkOf(layout, supplyId);
  if (trunk.size === 0) return null;
  const own = runsOf(layout, supplyId);
  const { nodes, runs } = layout.network;
  const islandOf = islandsOf(
    layout,
    own.filter((id) => !trunk.has(id)).map((id) => runs[id]),
  );
  const { reading } = feedStudy(layout);
  const newId = freeId(layout.supplies, `${supplyId}-doubled`);
  const made = change(layout, (draft) => {
    const order = 1 + Math.max(...Object.values(draft.supplies).map((s) => s.order));
    draft.supplies[newId] = {
      ...supply,
      order,
      name: `${supply.name.slice(0, 48)}, ${formatQuantity(2 * supply.volts, 'volt')}`,
      volts: 2 * supply.volts,
      highestVolts: 2 * supply.highestVolts,
    };
    for (const node of Object.values(draft.network.nodes))
      if (node.is.kind === 'supply' && node.is.supplyId === supplyId) node.is.supplyId = newId;
    const before = new Map<string, string>();
    /** The converter before the wiring that a place belongs to, made where there is none. */
    const converterBefore = (place: string): string => {
      const island = islandOf(place);
      const known = before.get(island);
      if (known !== undefined) return known;
      const amps = inOrder(layout.network.nodes)
        .filter((n) => islandOf(n.id) === island)
        .reduce((sum, n) => sum + (reading?.places.get(n.id)?.amps ?? 0), 0);
      const found = converters.find((c) => c.amps >= ABOVE * amps) ?? converters[converters.length - 1];
      const id = freeId(draft.network.nodes, 'step-down');
      const at = nodes[place];
      draft.network.nodes[id] = {
        order: 1 + Math.max(...Object.values(draft.network.nodes).map((n) => n.order)),
        name: `Step-down at ${at.name}`.slice(0, 60),
        xMillimetres: at.xMillimetres - BESIDE_MILLIMETRES,
        yMillimetres: at.yMillimetres,
        is: {
          kind: 'converter',
          outVolts: supply.volts,
          efficiency: EFFICIENCY,
          limitAmps: found.amps,
          headroomVolts: HEADROOM_VOLTS,
        },
      };
      const [like] = trunk;
      draft.network.runs[freeId(draft.network.runs, 'run')] = {
        ...runs[like],
        order: 1 + Math.max(...Object.values(draft.network.runs).map((r) => r.order)),
        label: `D${before.size + 1}`,
        from: id,
        to: place,
        fromOutput: true,
        millimetres: LEAD_MILLIMETRES,
        parts: [],
      };
      before.set(island, id);
      return id;
    };
    for (const id of trunk) {
      const run = draft.network.runs[id];
      for (const end of ['from', 'to'] as const)
        if (nodes[run[end]].is.kind !== 'supply') run[end] = converterBefore(run[end]);
    }
    // Two ends in one board's wiring are one converter's input.
    for (const id of trunk) {
      const { from, to } = draft.network.runs[id];
      if (from === to) Reflect.deleteProperty(draft.network.runs, id);
    }
  });
  return { layout: made.layout, supplyId: newId, patches: made.patches };
}

/** What each converter on a supply gives at most, in amperes. */
const convertersOf = (layout: Layout, supplyId: string): number[] => {
  const on = hangsOn(layout);
  return Object.entries(layout.network.nodes).flatMap(([id, { is }]) =>
    is.kind === 'converter' && on.get(id)?.supplyId === supplyId ? [is.limitAmps] : [],
  );
};
const priceOf = (amps: number): number =>
  (converters.find((c) => c.amps >= amps) ?? converters[converters.length - 1]).price;

/**
 * The same lamps on the volts a supply has and on twice as many with a converter before each board's
 * wiring, each with the thinnest wires that keep every rule.
 * @param tell how far it is, 0 to 1; returns true to stop
 */
export function voltsSideBySide(
  layout: Layout,
  supplyId: string,
  tell: (share: number) => boolean = () => false,
): FeedWay[] {
  const way = (name: string, of: Layout, id: string, first: readonly Patch[], share: number): FeedWay => {
    const { patches, cost, dimmest, kept } = planWires(of, id, (s) => tell(share + s / 2));
    const laid = patched(of, patches);
    const { reading } = feedStudy(laid);
    const supply = laid.supplies[id];
    return {
      name,
      volts: supply.kind === 'layout-bus' ? supply.volts : 0,
      wires: cost,
      converters: convertersOf(laid, id).reduce((sum, amps) => sum + priceOf(amps), 0),
      amps: reading?.supplies.get(id)?.amps ?? 0,
      lostWatts: reading ? reading.energy.wires + reading.energy.converters : 0,
      dimmest,
      kept,
      patches: [...first, ...patches],
    };
  };
  const higher = atHigherVolts(layout, supplyId);
  const ways = [way('as it hangs', layout, supplyId, [], 0)];
  if (higher)
    ways.push(way('a converter before each board', higher.layout, higher.supplyId, higher.patches, 0.5));
  return ways;
}
