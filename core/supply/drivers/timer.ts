import { inTurn, notInTurn, numbered, type DriverFeed, type DriverKind } from './driver-kind';

/** A timer chip that runs by itself; a transistor turns its output over for the second lamp. */
export interface Timer {
  readonly kind: 'timer';
  readonly feed: DriverFeed;
  readonly ohmsA: number;
  readonly ohmsB: number;
  readonly farads: number;
}

/** Typical, from memory: what its output bears, falls short by, and the chip takes. */
const LIMIT_AMPS = 0.1;
const ON_OHMS = 12;
const OWN_AMPS = 0.006;

/**
 * How long its output is low, which lights the first lamp, and high, which lights the other, in
 * seconds: low 0.693 RB C, high 0.693 (RA + RB) C (from memory).
 */
export const timerHalves = ({ ohmsA, ohmsB, farads }: Omit<Timer, 'kind' | 'feed'>): [number, number] => [
  Math.LN2 * ohmsB * farads,
  Math.LN2 * (ohmsA + ohmsB) * farads,
];

export const timer: DriverKind<Timer> = {
  kind: 'timer',
  name: 'Timer chip',
  says: 'one chip, two resistors, one capacitor',
  build: () => ({
    outputs: numbered(2, LIMIT_AMPS),
    totalAmps: 2 * LIMIT_AMPS,
    switches: 'minus',
    onOhms: ON_OHMS,
    ownAmps: OWN_AMPS,
    heldWhenOff: false,
    ownVolts: null,
  }),
  perMinute(record) {
    const [low, high] = timerHalves(record);
    return 60 / (low + high);
  },
  drive: (record, asked) => inTurn(asked, timerHalves(record)),
  cannot: (_, asked) => notInTurn(asked),
  needs: ({ ohmsA, ohmsB, farads }) => [
    { key: 'switch', name: 'Switch', count: 1, price: 0.5 },
    { key: 'timer-chip', name: 'Timer chip', count: 1, price: 0.5 },
    { key: `resistor:${ohmsA}:0.25`, name: 'Timing resistor A', count: 1, price: 0.05 },
    { key: `resistor:${ohmsB}:0.25`, name: 'Timing resistor B', count: 1, price: 0.05 },
    { key: `capacitor:${farads}`, name: 'Timing capacitor', count: 1, price: 0.12 },
    { key: 'transistor:npn', name: 'Small NPN transistor', count: 1, price: 0.08 },
  ],
};
