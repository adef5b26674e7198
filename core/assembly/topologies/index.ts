import { backToBack } from './back-to-back';
import { bulb } from './bulb';
import { inSeries } from './in-series';
import { oneResistor } from './one-resistor';
import { ownBridge } from './own-bridge';
import { readyWired } from './ready-wired';
import { regulatedBoard } from './regulated-board';
import { resistorEach } from './resistor-each';
import { sharedBothWays } from './shared-both-ways';
import { twoColour } from './two-colour';
import type { TopologyName } from '../../document/topology-names';
import type { Topology } from './topology';

/** Every way to wire a circuit. A new one is a file beside these, its name in `topology-names.ts`, and a line here. */
export const topologies: Readonly<Record<TopologyName, Topology>> = {
  'shared-both-ways': sharedBothWays,
  'resistor-each': resistorEach,
  'two-colour': twoColour,
  'ready-wired': readyWired,
  bulb,
  'regulated-board': regulatedBoard,
  'own-bridge': ownBridge,
  'back-to-back': backToBack,
  'one-resistor': oneResistor,
  'in-series': inSeries,
};
export type { Topology } from './topology';
