import { inTurn, notInTurn, numbered, type DriverFeed, type DriverKind } from './driver-kind';

/** What times one half of a two-transistor flasher. */
export interface FlasherHalf {
  /** Base resistor of the transistor that is off in this half. */
  readonly ohms: number;
  /** From the collector that conducts in this half to the other's base. */
  readonly farads: number;
}

/** Two transistors that throw one another over: each lamp lies in a collector. */
export interface Flasher {
  readonly kind: 'flasher';
  readonly feed: DriverFeed;
  /** While the first lamp is lit, and while the other is. */
  readonly one: FlasherHalf;
  readonly other: FlasherHalf;
  /** A diode before each base, for supplies above what a base bears backwards. */
  readonly baseDiodes: boolean;
}

/** A small transistor, saturated; and what one bears for long (typical, from memory). */
const ON_OHMS = 4;
const LIMIT_AMPS = 0.1;

/**
 * How long one half lasts, in seconds, as it is commonly reckoned: T = R C ln 2, the supply being well
 * above one junction.
 */
export const halfSeconds = ({ ohms, farads }: FlasherHalf): number => Math.LN2 * ohms * farads;

/** A whole turn, in seconds: T = ln 2 (R1 C1 + R2 C2). */
export const turnSeconds = ({ one, other }: Pick<Flasher, 'one' | 'other'>): number =>
  halfSeconds(one) + halfSeconds(other);

export const flasher: DriverKind<Flasher> = {
  kind: 'flasher',
  name: 'Two-transistor flasher',
  says: 'two transistors, two capacitors, made at home',
  build: () => ({
    outputs: numbered(2, LIMIT_AMPS, (n) => `Collector ${n}`),
    totalAmps: 2 * LIMIT_AMPS,
    switches: 'minus',
    onOhms: ON_OHMS,
    ownAmps: 0,
    heldWhenOff: false,
    ownVolts: null,
  }),
  perMinute: (record) => 60 / turnSeconds(record),
  drive: ({ one, other }, asked) => inTurn(asked, [halfSeconds(one), halfSeconds(other)]),
  cannot: (_, asked) => notInTurn(asked),
  needs: ({ one, other, baseDiodes }) => [
    { key: 'switch', name: 'Switch', count: 1, price: 0.5 },
    { key: 'transistor:npn', name: 'Small NPN transistor', count: 2, price: 0.08 },
    ...[one, other].flatMap(({ ohms, farads }) => [
      { key: `resistor:${ohms}:0.25`, name: 'Base resistor', count: 1, price: 0.05 },
      { key: `capacitor:${farads}`, name: 'Capacitor of the flasher', count: 1, price: 0.12 },
    ]),
    ...(baseDiodes ? [{ key: 'diode:silicon', name: 'Diode, silicon', count: 2, price: 0.06 }] : []),
  ],
};
