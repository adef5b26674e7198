import { THROTTLE } from './state';
import { high, sourceBehindOhms, type SupplyKind } from './supply-kind';

/** A train controller kept as a lamp supply: it may stand anywhere between two volts, always the same way round. */
export interface LampController {
  readonly kind: 'lamp-controller';
  readonly leastVolts: number;
  readonly mostVolts: number;
  /** Where it usually stands. */
  readonly usualVolts: number;
  readonly limitAmps: number;
  readonly tripSeconds: number;
  readonly wireOhms: number;
}

/** Step of its knob, as a share of its most. */
const STEP = 0.01;

export const lampController: SupplyKind<LampController> = {
  kind: 'lamp-controller',
  name: 'Controller as lamp supply',
  onTrack: false,
  changesSides: false,
  ownSwitch: false,
  inputs: ({ leastVolts, mostVolts, usualVolts }) => [
    {
      id: THROTTLE,
      name: 'Knob',
      domain: { least: Math.min(1, leastVolts / mostVolts), most: 1, step: STEP },
      usual: usualVolts / mostVolts,
    },
  ],
  highestWords: (supply) => ` with the knob at its most, ${supply.mostVolts} V`,
  sides: { right: 'plus', left: 'minus' },
  words: (supply, { throttle }) => `controller ${Number((throttle * supply.mostVolts).toPrecision(3))} V DC`,
  highestVolts: (supply) => supply.mostVolts,
  limit: (supply) => ({ amps: supply.limitAmps, seconds: supply.tripSeconds }),
  feels: () => 'moment',
  sourceOhms: (supply) => supply.wireOhms,
  behind: (supply, ohms) => ({ ...supply, wireOhms: supply.wireOhms + ohms }),
  faults: (supply) => [
    {
      id: 'knob',
      name: 'The knob is moved',
      says: `It may stand anywhere from ${supply.leastVolts} V to ${supply.mostVolts} V: what is safe at the most is dimmer below.`,
    },
    {
      id: 'reversed',
      name: 'Reversed',
      says: 'Its direction switch changes plus and minus over: lamps go dark.',
    },
  ],
  lower: (supply, nodes, { controls, stress }, of) =>
    sourceBehindOhms(
      {
        kind: 'dc',
        level: (high(stress) ? 1 : Math.min(1, Math.max(0, controls.throttle))) * supply.mostVolts,
      },
      supply.wireOhms,
      nodes,
      of,
    ),
};
