import { lowered, type Island, type Network, type Source } from './network';
import { IslandSolver } from './solve';
import type { Layout } from '../document/layout';

/** A short at a place: what flows. */
export interface ShortReading {
  /** From the source to it and back, without the short itself, in ohms. */
  readonly wayOhms: number;
  /** From the source, through it and back, in ohms, the source's own resistance with it. */
  readonly loopOhms: number;
  /** Were there no limit, and with each source at its limit at most. */
  readonly ohmicAmps: number;
  readonly amps: number;
  /** What the sources of it give at most together. */
  readonly limitAmps: number;
  /** In each run that has a fuse, by run, without sign. */
  readonly runs: ReadonlyMap<string, number>;
}

/** What lies in a short of a screwdriver or a derailed wheel, in ohms (common practice, no source). */
const SHORT_OHMS = 0.01;

/**
 * A short between the conductors of each place, one after another, with nothing else drawing: by
 * Thévenin, the volts that stand there over the resistance one sees from there (superposition of the
 * open network and of a current through it). Sources at their limit hold it: what flows is scaled to
 * what they give.
 */
export function shortsOf(
  layout: Layout,
  network = lowered(layout).network,
): ReadonlyMap<string, ShortReading> {
  const found = new Map<string, ShortReading>();
  for (const island of network.islands)
    if (island.sources.length > 0) shortsIn(layout, network, island, found);
  return found;
}

function shortsIn(layout: Layout, network: Network, island: Island, found: Map<string, ShortReading>): void {
  const bare: Island = { ...island, loads: [], feeds: [] };
  const open = new IslandSolver(bare);
  open.solve(
    (s) => s.volts,
    () => 0,
  );
  const openVolts = new Map(island.places.map((p) => [p, open.voltsAt(p)]));
  const inside = new Set(island.places);
  const fused = island.conductors.filter(
    (c) => c.side === 'plus' && layout.network.runs[c.run].parts.some((p) => p.kind === 'fuse'),
  );
  const limitAmps = sumOf(island.sources, (s) => s.limitAmps);
  for (const id of Object.keys(layout.network.nodes)) {
    // The output of a converter is where its own wires are shorted; its input lies in the island before.
    const pair = [network.pairs.get(id)!, network.outputs.get(id)].find((p) => p && inside.has(p.plus));
    if (!pair) continue;
    const seen = open.answerTo(pair.plus, pair.minus);
    const standing = openVolts.get(pair.plus)! - openVolts.get(pair.minus)!;
    const loopOhms = seen.ohms + SHORT_OHMS;
    const ohmicAmps = standing / loopOhms;
    const scale = Math.min(1, limitAmps / Math.max(ohmicAmps, 1e-12));
    const runs = new Map<string, number>();
    for (const { run, a, b, ohms } of fused)
      runs.set(
        run,
        scale *
          Math.abs((openVolts.get(a)! - openVolts.get(b)! - ohmicAmps * (seen.at(a) - seen.at(b))) / ohms),
      );
    found.set(id, { wayOhms: seen.ohms, loopOhms, ohmicAmps, amps: ohmicAmps * scale, limitAmps, runs });
  }
}

const sumOf = (sources: readonly Source[], of: (s: Source) => number): number =>
  sources.reduce((sum, s) => sum + of(s), 0);
