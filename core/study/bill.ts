import { cellTypes } from '../part/cell';
import { reservoirPrice } from '../part/electrolytic';
import { terminalKey, type Assembly, type Part } from '../assembly/assembly';
import { boardsOf, isOnBoard, type BoardNeed } from '../assembly/on-board';
import { isFeedPart } from './wired/feed-parts';
import { boardSort, piecesOf, plugSort, sortOf, stockOf } from './stock';
import type { Layout } from '../document/layout';
import type { Supply } from '../supply';

/** Typical prices of small parts, in the layout's currency (common practice, no source). */
const PRICES = {
  resistor: 0.05,
  resistorWatt: 0.15,
  diode: 0.06,
  mouldedBridge: 0.35,
  looseDiodes: 0.24,
  limiter: 0.6,
  /** Of a hub that is built. */
  socket: 1.4,
  regulator: 0.9,
  converter: 2,
  switch: 0.5,
  fuse: 0.3,
  bulb: 0.8,
  decoder: 25,
  motor: 6,
  pad: 0.05,
} as const;

const cellsPrice = (supply: Supply): number =>
  supply.kind === 'cell' ? supply.inSeries * cellTypes[supply.cell].price : 0;

/** Price of one part: what the drawer says of its like, else a typical one; nothing for what comes on a board. */
export function priceOf(part: Part, layout: Layout, supply: Supply): number {
  if (part.board !== null) return 0;
  const sort = sortOf(part);
  const own = sort && stockOf(layout, sort.key)[0];
  if (own?.from === 'sundries') return own.price * piecesOf(part);
  switch (part.kind) {
    case 'rails':
      return cellsPrice(part.beside ?? supply);
    case 'switch':
      return PRICES.switch;
    case 'fuse':
      return PRICES.fuse;
    case 'bridge':
      return part.loose ? PRICES.looseDiodes : PRICES.mouldedBridge;
    case 'diode':
      return part.role === 'steering' ? 0 : PRICES.diode;
    case 'resistor': {
      const own = Object.values(layout.drawer.resistors).find((r) => r.ohms === part.ohms);
      return own?.price ?? PRICES.resistor + PRICES.resistorWatt * Math.max(0, part.ratedWatts - 0.25);
    }
    case 'electrolytic': {
      const own = Object.values(layout.drawer.reservoirs).find(
        (r) => r.farads === part.farads && r.ratedVolts === part.ratedVolts,
      );
      return own?.price ?? reservoirPrice(part.farads, part.ratedVolts);
    }
    case 'limiter':
      return PRICES.limiter;
    case 'socket':
      return PRICES.socket;
    case 'regulator':
      return isFeedPart(part) ? PRICES.converter : PRICES.regulator;
    case 'lamp':
      return part.led.price;
    case 'bulb':
      return PRICES.bulb;
    case 'decoder':
      return PRICES.decoder;
    case 'driver':
      return part.needs.reduce((sum, n) => sum + n.count * n.price, 0);
    case 'motor':
      return PRICES.motor;
    case 'tester':
      return 0;
    case 'junction':
      return part.form === 'pad' ? PRICES.pad : 0;
  }
}

/** What the drawer says a sort costs; null where it does not know. */
export const ownPrice = (layout: Layout, key: string): number | null =>
  stockOf(layout, key)[0]?.price ?? null;
/** Price of a board bought whole, and of a plug for it: the drawer's, else a typical one. */
export const boardPrice = (layout: Layout, board: BoardNeed): number =>
  ownPrice(layout, boardSort(board).key) ?? board.price;
export const plugPrice = (layout: Layout, board: BoardNeed): number =>
  ownPrice(layout, plugSort(board).key) ?? board.plugPrice;

/** Price of all parts of a job, in the layout's currency. */
export function costOf(assembly: Assembly, layout: Layout, supply: Supply): number {
  const loose = assembly.parts.reduce((sum, p) => sum + priceOf(p, layout, supply), 0);
  return boardsOf(assembly).reduce(
    (sum, b) => sum + b.count * boardPrice(layout, b) + b.plugs * plugPrice(layout, b),
    loose,
  );
}

/**
 * Joints to solder: terminals that a lead ends at. Units of one piece of strip, and lamps of one
 * fairy string, come joined: a piece counts its two ends once. What comes on a board is joined there.
 */
export function jointsOf(assembly: Assembly): number {
  const byId = new Map(assembly.parts.map((p) => [p.id, p]));
  const joined = new Set(
    assembly.leads
      .filter((l) => !isOnBoard(byId, l))
      .flatMap((l) => [terminalKey(l.from), terminalKey(l.to)]),
  );
  const pieces = new Set<string>();
  let joints = 0;
  for (const key of joined) {
    const [id, terminal] = key.split('.');
    const part = byId.get(id)!;
    if (part.kind === 'lamp' && (part.led.form === 'strip' || part.led.form === 'fairy')) {
      pieces.add(`${part.circuit ?? id} ${part.led.form} ${terminal}`);
    } else if (part.kind === 'bridge' && part.loose) joints += 2;
    else joints += 1;
  }
  return joints + pieces.size;
}
