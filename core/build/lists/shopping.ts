import { insteadOf, type Instead } from './instead';
import { builtOf, needsOf, type NeedOf } from './needs';
import { ownedOf, stockOf, takenOf } from '../../study/stock';
import { wires, type WireName } from '../../part/wire';
import type { Layout } from '../../document/layout';

/** A line of a shopping list. Pieces; wire and sleeves in metres. */
export interface ShoppingLine extends NeedOf {
  readonly owned: number;
  /** Taken out of the drawer by tasks of these jobs that are ticked. */
  readonly taken: number;
  /** Where what is owned is kept. */
  readonly kept: string;
  /** What is short of needed and spares. */
  readonly short: number;
  readonly packSize: number;
  readonly packs: number;
  /** For the packs, with what a larger quantity takes off. */
  readonly price: number;
}

/** What to buy for some jobs. */
export interface ShoppingList {
  readonly lines: readonly ShoppingLine[];
  readonly partsPrice: number;
  readonly deliveryPrice: number;
  readonly total: number;
  /** What the parts of one lamp, and of one job, cost, whether they are bought or in the drawer. */
  readonly perLamp: number;
  readonly perJob: number;
  readonly lamps: number;
  readonly jobs: number;
  readonly instead: readonly Instead[];
}

/** Pieces in a pack, by the beginning of a key; one where nothing is said (common practice, no source). */
const packs: readonly (readonly [start: string, pieces: number])[] = [
  ['resistor:', 10],
  ['lamp:', 5],
  ['diode:', 10],
  ['bridge:', 5],
  ['shrink', 1],
];
/** Shares taken off from so many pieces on (common practice, no source). */
const breaks = [
  { from: 100, off: 0.25 },
  { from: 50, off: 0.15 },
  { from: 25, off: 0.08 },
] as const;
/** Post for small parts, in the layout's currency (common practice, no source). */
const DELIVERY = 4.5;

/** Pieces, or metres, that come in one pack of a sort. */
export function packSizeOf(key: string): number {
  const [sort, wire] = key.split(':');
  if (sort === 'wire') return wires[wire as WireName].reelMillimetres / 1000;
  return packs.find(([start]) => key.startsWith(start))?.[1] ?? 1;
}

/** Price of so many pieces: the more, the cheaper each; never more than a larger number would cost. */
export function priceFor(each: number, pieces: number): number {
  const at = (n: number): number => n * each * (1 - (breaks.find((b) => n >= b.from)?.off ?? 0));
  return Math.min(at(pieces), ...breaks.filter((b) => b.from > pieces).map((b) => at(b.from)));
}

const round = (price: number): number => Math.round(price * 100) / 100;

/**
 * What to buy for jobs: what they need and their spares, less what the drawer has, in whole packs.
 * @throws RangeError when the layout has no such job
 */
export function shoppingList(layout: Layout, jobIds: readonly string[]): ShoppingList {
  const needs = needsOf(layout, jobIds);
  const lines = needs.map((need): ShoppingLine => {
    const owned = ownedOf(layout, need.key);
    const taken = jobIds.reduce((sum, id) => sum + takenOf(layout, layout.jobs[id], need.key), 0);
    const short = Math.max(0, need.count - need.there + need.spares - owned - taken);
    const packSize = packSizeOf(need.key);
    const count = Math.max(0, Math.ceil(short / packSize - 1e-9));
    return {
      ...need,
      owned,
      taken,
      kept: stockOf(layout, need.key)
        .map((s) => s.kept)
        .filter((k) => k !== '')
        .join(', '),
      short,
      packSize,
      packs: count,
      price: round(priceFor(need.priceEach, count * packSize)),
    };
  });
  const partsPrice = round(lines.reduce((sum, l) => sum + l.price, 0));
  const deliveryPrice = partsPrice > 0 ? DELIVERY : 0;
  const { lamps, jobs } = builtOf(layout, jobIds);
  const worth = needs.reduce((sum, n) => sum + (n.count - n.there) * n.priceEach, 0);
  return {
    lines,
    partsPrice,
    deliveryPrice,
    total: round(partsPrice + deliveryPrice),
    perLamp: lamps > 0 ? worth / lamps : 0,
    perJob: jobs > 0 ? worth / jobs : 0,
    lamps,
    jobs,
    instead: insteadOf(layout, jobIds),
  };
}
