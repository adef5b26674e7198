import { formatQuantity } from '../quantity/format';
import { high, sourceBehindOhms, type SupplyKind } from './supply-kind';

/** A fixed DC supply on two wires through the layout, or a constant voltage kept for lighting. */
export interface LayoutBus {
  readonly kind: 'layout-bus';
  readonly volts: number;
  /** What an unregulated supply rises to without load. */
  readonly highestVolts: number;
  readonly limitAmps: number;
  readonly tripSeconds: number;
  readonly wireOhms: number;
}

export const layoutBus: SupplyKind<LayoutBus> = {
  kind: 'layout-bus',
  name: 'Layout bus',
  onTrack: false,
  changesSides: false,
  ownSwitch: false,
  inputs: () => [],
  highestWords: (supply) =>
    supply.highestVolts > supply.volts
      ? ` with the supply at its highest, ${formatQuantity(supply.highestVolts, 'volt')}`
      : '',
  sides: { right: 'plus', left: 'minus' },
  words: (supply) => `bus ${supply.volts} V DC`,
  highestVolts: (supply) => supply.highestVolts,
  limit: (supply) => ({ amps: supply.limitAmps, seconds: supply.tripSeconds }),
  feels: () => 'moment',
  sourceOhms: (supply) => supply.wireOhms,
  behind: (supply, ohms) => ({ ...supply, wireOhms: supply.wireOhms + ohms }),
  faults: () => [
    { id: 'reversed', name: 'Joined the wrong way round', says: 'Plus and minus changed over at the plug.' },
  ],
  lower: (supply, nodes, { stress }, of) =>
    sourceBehindOhms(
      { kind: 'dc', level: high(stress) ? supply.highestVolts : supply.volts },
      supply.wireOhms,
      nodes,
      of,
    ),
};
