import { accessoryPairs } from './accessory-pairs';
import {
  heldBy,
  numbered,
  type BoardFacts,
  type DriverFeed,
  type DriverKind,
  type OutputId,
} from './driver-kind';

/** A decoder for accessories whose address has two contacts that change sides: thrown one is plus, straight the other. */
export interface AccessoryReversing {
  readonly kind: 'accessory-reversing';
  readonly feed: DriverFeed;
  readonly addresses: number;
  readonly limitAmps: number;
  readonly board?: BoardFacts;
  readonly totalAmps: number;
}

/** Two transistors in a row (typical, from memory). */
const ON_OHMS = 8;
const OWN_AMPS = 0.02;
const PRICE = 20;

/** As pairs are: of each address one way is always on. */
const asPairs = (record: AccessoryReversing) =>
  ({ ...record, kind: 'accessory-pairs', switches: 'plus' }) as const;

export const accessoryReversing: DriverKind<AccessoryReversing> = {
  kind: 'accessory-reversing',
  name: 'Accessory decoder, reversing',
  says: 'two wires an address, which change sides; two lamps back to back on them',
  build: ({ addresses, limitAmps, totalAmps, board }) => ({
    outputs: numbered(
      2 * addresses,
      limitAmps,
      (n) => `Address ${Math.ceil(n / 2)} ${n % 2 === 1 ? 'thrown' : 'straight'}`,
    ).map((o, i): typeof o & { between: [OutputId, OutputId] } => ({
      // A resistor of the board stands in one of the two leads.
      ...(i % 2 === 0 ? heldBy(board)(o) : o),
      between: [o.id, `out${i % 2 === 0 ? i + 2 : i}`],
    })),
    totalAmps,
    switches: 'plus',
    onOhms: ON_OHMS,
    ownAmps: OWN_AMPS,
    heldWhenOff: true,
    ownVolts: board?.lampVolts ?? null,
  }),
  perMinute: () => null,
  drive: (record, asked) => accessoryPairs.drive(asPairs(record), asked),
  cannot: (record, asked) => accessoryPairs.cannot(asPairs(record), asked),
  needs: ({ addresses }) => [
    {
      key: `accessory-reversing:${addresses}`,
      name: `Accessory decoder, ${addresses} reversing`,
      count: 1,
      price: PRICE,
    },
  ],
};
