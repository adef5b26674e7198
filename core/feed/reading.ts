import { warmerBy } from '../part/feed-wire';
import { runConductors } from '../part/rail';
import { lightness } from '../light/lightness';
import { lumensOf, takenAt, type LoadCurve } from './load-curve';
import type { Conductor, Network, Source } from './network';
import { runMillimetres } from './run-length';
import { FeedSolver, powerTaken, type Solution } from './solve';
import type { Layout } from '../document/layout';

/** A place of the network as it stands. */
export interface PlaceReading {
  readonly volts: number;
  /** At the output of a converter. */
  readonly outVolts: number | null;
  /** What hangs there takes; 0 for what takes nothing. */
  readonly amps: number;
  readonly lumens: number;
  /** How bright it looks against itself at the volts it is meant for, 0 to 100; null for what gives no light. */
  readonly lightness: number | null;
}

/** A run as it stands. */
export interface RunReading {
  readonly millimetres: number;
  /** In its plus, from where it begins to where it ends. */
  readonly amps: number;
  /** Lost in both conductors together. */
  readonly dropVolts: number;
  readonly watts: number;
  /** Than the room, in kelvin. */
  readonly warmerBy: number;
  /** A switch in it is off. */
  readonly open: boolean;
}

/** A supply as it is loaded, wherever it comes in. */
export interface SupplyReading {
  readonly amps: number;
  readonly limitAmps: number;
  readonly watts: number;
}

/** What a network's places, runs and supplies come to. */
export interface FeedFigures {
  readonly places: ReadonlyMap<string, PlaceReading>;
  readonly runs: ReadonlyMap<string, RunReading>;
  /** By the id of the supply in the layout. */
  readonly supplies: ReadonlyMap<string, SupplyReading>;
  /** Watts that all supplies give, and where they stay. */
  readonly energy: {
    readonly given: number;
    readonly loads: number;
    readonly wires: number;
    readonly supplies: number;
    readonly converters: number;
  };
}

/** The network of a layout, solved. */
export interface FeedReading extends FeedFigures {
  readonly network: Network;
  readonly solution: Solution;
}

/**
 * Solves the network of a layout: volts and amperes everywhere.
 * @throws NetworkError when converters feed one another in a round
 * @throws CircuitError when it does not settle
 */
export function feedReading(layout: Layout, solver = new FeedSolver()): FeedReading {
  const { network } = solver.lower(layout);
  const solution = solver.solve(network);
  const { volts } = solution;
  const at = ({ plus, minus }: { readonly plus: number; readonly minus: number }): number =>
    volts[plus] - volts[minus];
  const loads = new Map(network.islands.flatMap((i) => i.loads).map((l) => [l.node, l]));
  const places = new Map<string, PlaceReading>();
  let taken = 0;
  for (const [id, pair] of network.pairs) {
    const own = at(pair);
    const load = loads.get(id);
    const output = network.outputs.get(id);
    const amps = load ? loadAmps(load, own) : 0;
    taken += amps * own;
    const curve = load?.takes.by === 'curve' ? load.takes.curve : null;
    const meant = curve ? meantLumens(curve) : 0;
    const lumens = curve ? lumensOf(curve, own) : 0;
    places.set(id, {
      volts: own,
      outVolts: output ? at(output) : null,
      amps,
      lumens,
      lightness: meant > 0 ? Math.min(100, lightness(lumens / meant)) : null,
    });
  }
  const runs = new Map<string, RunReading>();
  let wires = 0;
  const conductors = new Map<string, Conductor[]>();
  for (const island of network.islands)
    for (const c of island.conductors) {
      const own = conductors.get(c.run);
      if (own) own.push(c);
      else conductors.set(c.run, [c]);
    }
  for (const [id, run] of Object.entries(layout.network.runs)) {
    const own = conductors.get(id) ?? [];
    let dropVolts = 0;
    let watts = 0;
    let amps = 0;
    for (const { a, b, ohms, side } of own) {
      const drop = volts[a] - volts[b];
      if (side === 'plus') amps = drop / ohms;
      dropVolts += Math.abs(drop);
      watts += drop ** 2 / ohms;
    }
    wires += watts;
    runs.set(id, {
      millimetres: runMillimetres(layout, run),
      amps,
      dropVolts,
      watts,
      warmerBy: warmerBy(runConductors[run.wire], Math.abs(amps), run.bundled),
      open: network.open.has(id),
    });
  }
  const supplies = new Map<string, SupplyReading>();
  let given = 0;
  let within = 0;
  const converterOutputs = new Set<Source>(network.converters.map((c) => c.output));
  for (const [source, amps] of solution.sourceAmps) {
    within += amps ** 2 * source.ohms;
    if (converterOutputs.has(source)) continue;
    given += amps * source.volts;
    const before = supplies.get(source.supplyId!) ?? { amps: 0, limitAmps: source.limitAmps, watts: 0 };
    supplies.set(source.supplyId!, {
      ...before,
      amps: before.amps + amps,
      watts: before.watts + amps * source.volts,
    });
  }
  let lost = 0;
  for (const c of network.converters) {
    const { outVolts, inAmps } = solution.converters.get(c)!;
    lost += inAmps * at(c.input) - outVolts * (solution.sourceAmps.get(c.output) ?? 0);
  }
  return {
    network,
    solution,
    places,
    runs,
    supplies,
    energy: { given, loads: taken, wires, supplies: within, converters: lost },
  };
}

/** Where on a curve its meant volts stand. */
const FULL = 9;

/** The most light a load gives up to the volts it is meant for, in lumens. */
function meantLumens({ lumens }: LoadCurve): number {
  let most = 0;
  for (let k = 0; k <= FULL; k++) if (lumens[k] > most) most = lumens[k];
  return most;
}

function loadAmps(load: Network['islands'][number]['loads'][number], at: number): number {
  return load.takes.by === 'curve'
    ? takenAt(load.takes.curve, at).amps
    : powerTaken(load.takes.watts, load.takes.aboveVolts, at).amps;
}
