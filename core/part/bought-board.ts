/** A board that is bought whole, with sockets that lamps are plugged into. */
export interface BoughtBoard {
  readonly name: string;
  /** In a sentence. */
  readonly word: string;
  readonly sockets: number;
  readonly price: number;
  /** Of a plug for one of its sockets, with its contacts. */
  readonly plugPrice: number;
}

/** Boards as they are commonly sold (sizes and prices common practice, no source). */
export const boughtBoards = {
  hub: {
    name: 'Lamp hub, 6 sockets with trimmers',
    word: 'the hub',
    sockets: 6,
    price: 10,
    plugPrice: 0.15,
  },
  sockets: {
    name: 'Socket board with resistors, 12 sockets',
    word: 'the socket board',
    sockets: 12,
    price: 8,
    plugPrice: 0.15,
  },
} as const satisfies Readonly<Record<string, BoughtBoard>>;
export type BoughtBoardName = keyof typeof boughtBoards;
