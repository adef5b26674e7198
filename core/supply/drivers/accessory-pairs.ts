import {
  flashes,
  heldBy,
  numbered,
  steadily,
  type BoardFacts,
  type DriverFeed,
  type DriverKind,
  type OutputId,
  type SwitchedSide,
} from './driver-kind';

/** A decoder for accessories with a pair of outputs to an address: one of the two is always on. */
export interface AccessoryPairs {
  readonly kind: 'accessory-pairs';
  readonly feed: DriverFeed;
  readonly addresses: number;
  readonly switches: SwitchedSide;
  readonly limitAmps: number;
  readonly board?: BoardFacts;
  readonly totalAmps: number;
}

/** A saturated output, and what such a board takes for itself (typical, from memory). */
const ON_OHMS = 5;
const OWN_AMPS = 0.02;
const PRICE = 18;

const pairOf = (address: number): readonly [OutputId, OutputId] => [
  `out${2 * address + 1}`,
  `out${2 * address + 2}`,
];

export const accessoryPairs: DriverKind<AccessoryPairs> = {
  kind: 'accessory-pairs',
  name: 'Accessory decoder, pairs',
  says: 'one of each pair is always on',
  build: ({ addresses, limitAmps, totalAmps, switches, board }) => ({
    outputs: numbered(
      2 * addresses,
      limitAmps,
      (n) => `Address ${Math.ceil(n / 2)} ${n % 2 === 1 ? 'thrown' : 'straight'}`,
    ).map(heldBy(board)),
    totalAmps,
    switches,
    onOhms: ON_OHMS,
    ownAmps: OWN_AMPS,
    heldWhenOff: false,
    ownVolts: board?.lampVolts ?? null,
  }),
  perMinute: () => null,
  // Of a pair that is asked for both or for neither, the second stays on.
  drive: ({ addresses }, asked) =>
    steadily(
      Array.from({ length: addresses }, (_, i) => pairOf(i)).map(([one, other]) =>
        asked.has(one) && !asked.has(other) ? one : other,
      ),
    ),
  cannot({ addresses }, asked) {
    if (flashes(asked)) return 'it switches and does not flash: the lamp stays lit';
    for (let i = 0; i < addresses; i++) {
      const [one, other] = pairOf(i);
      if (asked.has(one) && asked.has(other)) return `address ${i + 1} lights one of its pair, never both`;
    }
    return null;
  },
  needs: ({ addresses }) => [
    {
      key: `accessory-pairs:${addresses}`,
      name: `Accessory decoder, ${addresses} pairs`,
      count: 1,
      price: PRICE,
    },
  ],
};
