import {
  halvesOf,
  heldBy,
  inHalves,
  inTurn,
  notInTurn,
  numbered,
  type BoardFacts,
  type DriverFeed,
  type DriverKind,
  type SwitchedSide,
} from './driver-kind';

/** A flashing decoder: two outputs in turn, at a rate it can be set to. */
export interface Alternating {
  readonly kind: 'alternating';
  readonly feed: DriverFeed;
  readonly switches: SwitchedSide;
  /** Flashes of each lamp in a minute. */
  readonly perMinute: number;
  /** It can be set to show its outputs steady. */
  readonly steadyToo: boolean;
  readonly limitAmps: number;
  readonly board?: BoardFacts;
}

/** Typical, from memory. */
const ON_OHMS = 5;
const OWN_AMPS = 0.015;
const PRICE = 15;

export const alternating: DriverKind<Alternating> = {
  kind: 'alternating',
  name: 'Flashing decoder',
  says: 'two outputs that flash in turn',
  build: ({ limitAmps, switches, board }) => ({
    outputs: numbered(2, limitAmps).map(heldBy(board)),
    totalAmps: 2 * limitAmps,
    switches,
    onOhms: ON_OHMS,
    ownAmps: OWN_AMPS,
    heldWhenOff: false,
    ownVolts: board?.lampVolts ?? null,
  }),
  perMinute: (record) => record.perMinute,
  drive({ perMinute, steadyToo }, asked) {
    const halves = halvesOf(perMinute);
    return steadyToo ? inHalves(asked, halves) : inTurn(asked, halves);
  },
  cannot: ({ steadyToo }, asked) => (steadyToo ? null : notInTurn(asked)),
  needs: () => [{ key: 'alternating', name: 'Flashing decoder', count: 1, price: PRICE }],
};
