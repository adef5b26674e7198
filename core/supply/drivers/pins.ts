import {
  halvesOf,
  inHalves,
  numbered,
  type DriverFeed,
  type DriverKind,
  type SwitchedSide,
} from './driver-kind';

/** Pins of a small computer, each to a lamp, or to a transistor that switches one. */
export interface Pins {
  readonly kind: 'pins';
  readonly feed: DriverFeed;
  readonly count: number;
  /** Volts of a pin that is high. */
  readonly volts: 3.3 | 5;
  readonly pinAmps: number;
  readonly totalAmps: number;
  /** A transistor behind each pin: the lamps are fed from the supply, and the pin carries a milliampere. */
  readonly transistors: boolean;
  readonly switches: SwitchedSide;
  readonly perMinute: number;
  /** What the lamps share is joined to the board's own volts, or past them to the plus that feeds it; the board's where left out, which is assumed. */
  readonly commonAt?: 'board' | 'feed';
}

/** A pin at its rating falls short by some half a volt; a saturated transistor by far less (typical, from memory). */
const PIN_OHMS = 25;
const TRANSISTOR_OHMS = 4;
const TRANSISTOR_AMPS = 0.1;
/** Small boards take some (typical, from memory). */
const OWN_AMPS = 0.03;
const PRICE = 6;

/** What pins of boards bear, by their volts (common practice, no source). */
export const pinLimits = {
  3.3: { pinAmps: 0.012, totalAmps: 0.05 },
  5: { pinAmps: 0.02, totalAmps: 0.2 },
} as const;

export const pins: DriverKind<Pins> = {
  kind: 'pins',
  name: 'Pins of a small computer',
  says: 'a program decides; a transistor where a pin is too weak',
  build: ({ count, volts, pinAmps, totalAmps, transistors, switches, commonAt }) => ({
    outputs: numbered(count, transistors ? TRANSISTOR_AMPS : pinAmps, (n) => `Pin ${n}`),
    totalAmps: transistors ? count * TRANSISTOR_AMPS : totalAmps,
    switches: transistors ? 'minus' : switches,
    onOhms: transistors ? TRANSISTOR_OHMS : PIN_OHMS,
    ownAmps: OWN_AMPS,
    heldWhenOff: !transistors,
    ownVolts: transistors ? null : volts,
    ...(commonAt === 'feed' && !transistors && switches === 'minus' ? { commonAtFeed: true } : {}),
  }),
  perMinute: (record) => record.perMinute,
  drive: ({ perMinute }, asked) => inHalves(asked, halvesOf(perMinute)),
  cannot: () => null,
  needs: ({ count, transistors }) => [
    { key: 'small-computer', name: 'Small computer board', count: 1, price: PRICE },
    ...(transistors
      ? [
          { key: 'transistor:npn', name: 'Small NPN transistor', count, price: 0.08 },
          { key: 'resistor:4700:0.25', name: 'Base resistor 4.7 kΩ', count, price: 0.05 },
        ]
      : []),
  ],
};
