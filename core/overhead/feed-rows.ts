import { LOADED_SHARE } from '../supply';
import { bySection, feedWires } from '../part/feed-wire';
import { FEED_ENOUGH, FEED_LEAST, PLUG_ABOVE, plugRatings, unitAmps } from './limits';
import { rigPower } from './power';
import type { Draft } from 'immer';
import type { Layout } from '../document/layout';
import type { RigRecord } from '../document/rig-record';

const last = <T>(of: readonly T[]): T => of[of.length - 1];

/**
 * Gives a rig the feed its rows ask for, and no less than it has: the thinnest wire from its own on that
 * leaves their light, bears what flows and can be guarded, a unit, plugs, and a lead to the far end of
 * what is dim there. Each is tried in the whole network; where nothing that is sold is enough, the most.
 * @throws CircuitError when the feed does not settle with any wire
 */
export function feedRows(layout: Pick<Layout, 'boards'>, rig: Draft<RigRecord>): void {
  const had: RigRecord['supply'] = { ...rig.supply };
  const from = feedWires[had.wire].squareMillimetres;
  const wires = bySection().filter(
    (w) => w.id.startsWith('awg') === had.wire.startsWith('awg') && w.squareMillimetres >= from,
  );
  for (const wire of wires) {
    rig.supply.wire = wire.id;
    for (const { rowId, leastShare } of rigPower(layout, rig as RigRecord).rows)
      if (leastShare < FEED_LEAST) rig.rows[rowId].fed = 'both ends';
    const { supplyAmps } = rigPower(layout, rig as RigRecord);
    rig.supply.amps =
      [had.amps, ...unitAmps.filter((a) => a > had.amps)].find((a) => LOADED_SHARE * a >= supplyAmps) ??
      last(unitAmps);
    const { plugAmps, wireBearsAmps, guard, feed } = rigPower(layout, rig as RigRecord);
    rig.supply.plugAmps =
      [had.plugAmps, ...plugRatings.filter((a) => a > had.plugAmps)].find(
        (a) => a >= PLUG_ABOVE * (plugAmps ?? 0),
      ) ?? last(plugRatings);
    if (supplyAmps <= wireBearsAmps && guard.by !== 'nothing' && feed.lightShare >= FEED_ENOUGH) return;
  }
}

/** The feed of a rig in words: its unit and its wire. */
export const feedWords = ({ supply }: RigRecord): string =>
  `a unit of ${supply.amps} A on ${feedWires[supply.wire].name}`;
