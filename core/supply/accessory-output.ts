import { formatQuantity } from '../quantity/format';
import { bothInput, directionInput } from './state';
import { high, sourceBehindOhms, type SupplyKind } from './supply-kind';

/** One address of a board for accessories: two terminals whose polarity it reverses, with a limit of its own. */
export interface AccessoryOutput {
  readonly kind: 'accessory-output';
  readonly volts: number;
  readonly highestVolts: number;
  /** For all that hangs on the address. */
  readonly limitAmps: number;
  readonly tripSeconds: number;
  /** It can drive both senses at once, by reversing faster than the eye follows. */
  readonly bothSenses: boolean;
  readonly wireOhms: number;
}

/** How often a board that drives both senses reverses, and how long that takes (typical, from memory). */
const HERTZ = 200;
const EDGE_SECONDS = 20e-6;

export const accessoryOutput: SupplyKind<AccessoryOutput> = {
  kind: 'accessory-output',
  name: 'Accessory output',
  onTrack: false,
  changesSides: true,
  ownSwitch: false,
  inputs: (supply) => [{ ...directionInput, name: 'Polarity' }, ...(supply.bothSenses ? [bothInput] : [])],
  highestWords: (supply) =>
    supply.highestVolts > supply.volts
      ? ` with the board at its highest, ${formatQuantity(supply.highestVolts, 'volt')}`
      : '',
  sides: { right: 'one terminal', left: 'other terminal' },
  words: (supply, { direction, both }) =>
    `accessory output ${supply.volts} V, ${both ? 'both senses' : direction === 'forward' ? 'set' : 'reset'}`,
  highestVolts: (supply) => supply.highestVolts,
  limit: (supply) => ({ amps: supply.limitAmps, seconds: supply.tripSeconds }),
  feels: () => 'moment',
  sourceOhms: (supply) => supply.wireOhms,
  behind: (supply, ohms) => ({ ...supply, wireOhms: supply.wireOhms + ohms }),
  faults: (supply) => [
    {
      id: 'one-sense',
      name: 'One sense at a time',
      says: supply.bothSenses
        ? 'It drives both senses: lamps of either can be lit together, each for half of the time.'
        : `Of two lamps in opposite senses one is lit at a time; both can be only where the board drives both senses.`,
    },
  ],
  lower(supply, nodes, { controls, stress }, of) {
    const volts = high(stress) ? supply.highestVolts : supply.volts;
    const period = 1 / HERTZ;
    return sourceBehindOhms(
      controls.both && supply.bothSenses
        ? {
            kind: 'pulse',
            low: -volts,
            high: volts,
            delay: 0,
            rise: EDGE_SECONDS,
            fall: EDGE_SECONDS,
            width: period / 2 - EDGE_SECONDS,
            period,
          }
        : { kind: 'dc', level: controls.direction === 'forward' ? volts : -volts },
      supply.wireOhms,
      nodes,
      of,
    );
  },
};
