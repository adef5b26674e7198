import { boughtBoards } from '../part/bought-board';
import { change } from '../document/patch';
import { hookUps, isScenery, type HookUpName, type Scenery } from '../document/scenery-record';
import { usualSupply } from '../document/usual-supply';
import { anyJobIn } from '../document/jobs';
import { LOADED_SHARE, supplyKind } from '../supply';
import { benchOf, withFaults, type Bench } from './bench';
import { costOf } from './bill';
import { hookUp, SCENIC_AMPS, styleOf } from './hook-up';
import { Solver } from './solver';
import { usualState } from './states';
import type { Draft } from 'immer';
import type { AnyJob, Layout } from '../document/layout';
import type { Patch } from '../document/patch';
import type { Readings } from './readings';

/** One way of joining the lamps of a piece of scenery, beside the others. */
export interface HookUpWay {
  readonly name: HookUpName;
  /** It is how the job stands. */
  readonly now: boolean;
  /** Price of all parts with what joins them, in the layout's currency; and for each lamp. */
  readonly cost: number;
  readonly costPerLamp: number;
  /** Joints that want an iron. */
  readonly joints: number;
  /** Lamps like these that can be added until the supply, or what joins them, is full. */
  readonly roomFor: number;
  readonly fullBecause: 'supply' | 'places';
  /** What the worst placed lamp would get if the one thing that limits it were forgotten, in amperes, and what it bears. */
  readonly forgottenAmps: number | null;
  readonly bearsAmps: number;
  /** Mean current of a lamp so joined. */
  readonly lampAmps: number;
  /** The supply has too few volts for it: less than half of the current that is wanted flows. */
  readonly tooFewVolts: boolean;
  /** The change that makes it so; null for the way it stands, where another supply would be needed, and where it would not light them. */
  readonly patches: readonly Patch[] | null;
}

/** Prices of what joins lamps, and how many places it comes with (common practice, no source). */
const joins: Readonly<
  Record<HookUpName, { readonly each: number; readonly once: number; readonly places: number | null }>
> = {
  // Two lengths of bare wire, and staples.
  rail: { each: 0.05, once: 1, places: null },
  // Two ways a lamp.
  strip: { each: 0.25, once: 0, places: 6 },
  // Boards and their plugs are priced as parts.
  board: { each: 0, once: 0, places: boughtBoards.sockets.sockets },
  hub: { each: 0, once: 0, places: boughtBoards.hub.sockets },
  // A share of the board, by the address.
  output: { each: 0, once: 4, places: null },
};
/** A way that gives a lamp less than this share of what it has now does not light it. */
const LEAST_SHARE = 0.5;

/** Joints that want an iron: at lamps, at loose resistors, at a rail; screws and plugs want none. */
function solderJoints({ assembly }: Bench, name: HookUpName): number {
  const parts = new Map(assembly.parts.map((p) => [p.id, p]));
  const soldered = (part: string): boolean => {
    const { kind, board } = parts.get(part)!;
    if (kind === 'lamp' || kind === 'bulb') return true;
    if (kind === 'resistor' || kind === 'diode') return board === null;
    return kind === 'rails' && name === 'rail';
  };
  return assembly.leads.reduce(
    (sum, l) => sum + Number(soldered(l.from.part)) + Number(soldered(l.to.part)),
    0,
  );
}

/** The most a lamp gets when one of the resistors is left out; null where nothing loose can be forgotten. */
function forgotten(bench: Bench): number | null {
  const resistor = bench.assembly.parts.find(
    (p) => p.kind === 'resistor' && p.role !== 'charge' && p.board === null,
  );
  if (!resistor) return null;
  const without = withFaults(bench, [{ kind: 'short', part: resistor.id }]);
  const { dies } = new Solver(without).at(usualState(without), { stress: 'highest' });
  return Math.max(0, ...dies.map((d) => d.amps.greatest));
}

const mean = (readings: Readings): number => {
  const lit = readings.dies.filter((d) => d.circuitId !== null);
  return lit.length === 0 ? 0 : lit.reduce((sum, d) => sum + d.litAmps, 0) / lit.length;
};

/** A layout with an accessory board, where a way needs one and the job has none. @returns null where it has */
function withBoard(
  layout: Layout,
  job: AnyJob,
): { readonly layout: Layout; readonly supplyId: string } | null {
  if (layout.supplies[job.supplyId].kind === 'accessory-output') return null;
  const known = Object.entries(layout.supplies).find(([, s]) => s.kind === 'accessory-output');
  if (known) return { layout, supplyId: known[0] };
  const supplyId = 'board-tried';
  const order = 1 + Math.max(0, ...Object.values(layout.supplies).map((s) => s.order));
  return {
    supplyId,
    layout: change(layout, (draft) => {
      draft.supplies[supplyId] = usualSupply('accessory-output', layout.scale, order);
    }).layout,
  };
}

/**
 * The same lamps joined by every way that has a name, each solved: what it costs, what it asks of the
 * iron, how many more go on, and what one thing forgotten does.
 * @throws RangeError when the job is no scenery
 */
export function hookUpWays(layout: Layout, jobId: string): HookUpWay[] {
  const job = anyJobIn(layout, jobId);
  if (!isScenery(job)) throw new RangeError(`${jobId} is no scenery`);
  const style = styleOf(job);
  const lamps = Object.keys(job.lamps).length;
  const before = new Solver(benchOf(layout, jobId)).at(usualState(benchOf(layout, jobId)));
  const wanted = mean(before) > 1e-5 ? mean(before) : SCENIC_AMPS;
  return (Object.keys(hookUps) as HookUpName[]).map((name): HookUpWay => {
    const now = name === job.hookUp;
    const other = name === 'output' && !now ? withBoard(layout, job) : null;
    const base = other?.layout ?? layout;
    const laid = now
      ? { layout, patches: [] }
      : change(base, (draft) => {
          const own = anyJobIn(draft, jobId) as Draft<AnyJob & Scenery>;
          if (other) own.supplyId = other.supplyId;
          hookUp(base, own, name, () => wanted, style);
        });
    const bench = benchOf(laid.layout, jobId);
    const readings = new Solver(bench).at(usualState(bench));
    const { each, once, places } = joins[name];
    const cost = costOf(bench.assembly, laid.layout, bench.supply) + once + each * lamps;
    const limit = LOADED_SHARE * supplyKind(bench.supply).limit(bench.supply).amps;
    const perLamp = readings.supplyAmps.mean / Math.max(1, lamps);
    const bySupply = perLamp > 0 ? Math.max(0, Math.floor((limit - readings.supplyAmps.mean) / perLamp)) : 0;
    const byPlaces = places === null ? Infinity : Math.ceil(lamps / places) * places - lamps;
    const lampAmps = mean(readings);
    const tooFewVolts = lampAmps < LEAST_SHARE * wanted;
    return {
      name,
      now,
      cost,
      costPerLamp: cost / Math.max(1, lamps),
      joints: solderJoints(bench, name),
      roomFor: Math.min(bySupply, byPlaces),
      fullBecause: byPlaces < bySupply ? 'places' : 'supply',
      forgottenAmps: forgotten(bench),
      bearsAmps: Math.min(...readings.dies.map((d) => d.led?.greatestAmps ?? Infinity)),
      lampAmps,
      tooFewVolts,
      patches: now || other || tooFewVolts ? null : laid.patches,
    };
  });
}
