import {
  flashes,
  numbered,
  steadily,
  type DriverFeed,
  type DriverKind,
  type SwitchedSide,
} from './driver-kind';

/** Sorts of contacts that a hand, a lever, a point motor or a coil moves. */
export const contactSorts = {
  lever: { name: 'Lever or toggle', mostWays: 2 },
  rotary: { name: 'Rotary switch', mostWays: 12 },
  'point-motor': { name: 'Point-motor contact', mostWays: 2 },
  relay: { name: 'Relay', mostWays: 2 },
} as const;
export type ContactSort = keyof typeof contactSorts;

/** Contacts that join one output, or one a deck, to the common at a time. */
export interface Contacts {
  readonly kind: 'contacts';
  readonly feed: DriverFeed;
  readonly sort: ContactSort;
  /** Places it can be set to. */
  readonly ways: number;
  /** Wafers side by side, or poles: how many lamps it lights at once. */
  readonly decks: number;
  readonly switches: SwitchedSide;
  /** The next contact is made before the last one breaks. */
  readonly makesFirst: boolean;
}

/** What small contacts bear (typical, from memory). */
const LIMIT_AMPS = 0.5;
const CONTACT_OHMS = 0.05;
/** A relay's coil (typical for 12 V, from memory). */
const COIL_AMPS = 0.03;
const PRICES: Readonly<Record<ContactSort, number>> = { lever: 1.2, rotary: 2.5, 'point-motor': 0, relay: 2 };

export const contacts: DriverKind<Contacts> = {
  kind: 'contacts',
  name: 'Lever, switch or relay',
  says: 'contacts, by hand or moved with the points',
  build: ({ ways, decks, switches, sort }) => ({
    outputs: numbered(ways * decks, LIMIT_AMPS, (n) => `Contact ${n}`),
    totalAmps: LIMIT_AMPS * decks,
    switches,
    onOhms: CONTACT_OHMS,
    ownAmps: sort === 'relay' ? COIL_AMPS : 0,
    heldWhenOff: false,
    ownVolts: null,
  }),
  perMinute: () => null,
  drive: (_, asked) => steadily(asked.keys()),
  cannot({ decks }, asked) {
    if (flashes(asked)) return 'contacts do not flash: the lamp stays lit';
    if (asked.size > decks)
      return `${asked.size} lamps at once want ${asked.size} decks or poles, and it has ${decks}`;
    return null;
  },
  needs: ({ sort, ways, decks }) =>
    sort === 'point-motor'
      ? []
      : [
          {
            key: `contacts:${sort}:${ways}:${decks}`,
            name: `${contactSorts[sort].name}, ${decks} × ${ways} ways`,
            count: 1,
            price: PRICES[sort],
          },
        ],
};
