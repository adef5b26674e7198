import { packEnclose, packSiblings } from 'd3-hierarchy';
import { gaugeMillimetres, strandsSquareMillimetres } from '../quantity/gauge';
import type { WireColour } from './wire-colour';

/** A sort of wire, as it is bought. */
export interface WirePart {
  readonly id: string;
  readonly name: string;
  readonly insulation: string;
  readonly copperSquareMillimetres: number;
  /** With its insulation. */
  readonly outsideMillimetres: number;
  /** Colours it comes in; null for any. */
  readonly colours: readonly WireColour[] | null;
  /** What a reel of it commonly holds, in millimetres. */
  readonly reelMillimetres: number;
  /** Typical price of a reel, in the layout's currency. */
  readonly reelPrice: number;
}

const solid = (millimetres: number): number => strandsSquareMillimetres(1, millimetres);
const lacquer = { insulation: 'lacquer, burnt off by the iron', reelMillimetres: 10_000, reelPrice: 3 };
/** Lacquered wire comes in few colours (common practice, no source). */
const few = ['red', 'green', 'lacquered'] as const;

/** Sorts of wire for small lamps; outside thickness is typical, from memory. Another is an entry more. */
export const wires = {
  'magnet-0.1': {
    name: 'Magnet wire 0.1 mm',
    ...lacquer,
    copperSquareMillimetres: solid(0.1),
    outsideMillimetres: 0.12,
    colours: few,
  },
  'magnet-0.15': {
    name: 'Magnet wire 0.15 mm',
    ...lacquer,
    copperSquareMillimetres: solid(0.15),
    outsideMillimetres: 0.18,
    colours: few,
  },
  'magnet-0.2': {
    name: 'Magnet wire 0.2 mm',
    ...lacquer,
    copperSquareMillimetres: solid(0.2),
    outsideMillimetres: 0.24,
    colours: few,
  },
  decoder: {
    name: 'Decoder wire 0.5 mm outside',
    insulation: 'soft plastic',
    copperSquareMillimetres: strandsSquareMillimetres(7, 0.08),
    outsideMillimetres: 0.5,
    colours: null,
    reelMillimetres: 10_000,
    reelPrice: 3.5,
  },
  wrapping: {
    name: 'Wrapping wire AWG 30, solid',
    insulation: 'hard plastic',
    copperSquareMillimetres: solid(gaugeMillimetres(30)),
    outsideMillimetres: 0.5,
    colours: null,
    reelMillimetres: 50_000,
    reelPrice: 6,
  },
  'flex-7-0.1': {
    name: 'Flexible wire 7/0.1',
    insulation: 'plastic',
    copperSquareMillimetres: strandsSquareMillimetres(7, 0.1),
    outsideMillimetres: 0.8,
    colours: null,
    reelMillimetres: 10_000,
    reelPrice: 3,
  },
  'flex-7-0.2': {
    name: 'Flexible wire 7/0.2',
    insulation: 'plastic',
    copperSquareMillimetres: strandsSquareMillimetres(7, 0.2),
    outsideMillimetres: 1.2,
    colours: null,
    reelMillimetres: 10_000,
    reelPrice: 3,
  },
  'flex-16-0.2': {
    name: 'Flexible wire 16/0.2',
    insulation: 'plastic',
    copperSquareMillimetres: strandsSquareMillimetres(16, 0.2),
    outsideMillimetres: 1.6,
    colours: null,
    reelMillimetres: 10_000,
    reelPrice: 5,
  },
} as const satisfies Readonly<Record<string, Omit<WirePart, 'id'>>>;
export type WireName = keyof typeof wires;
export const wireNames = Object.keys(wires) as [WireName, ...WireName[]];

/** A sort of wire by its name. */
export const wireOf = (name: WireName): WirePart => ({ id: name, ...wires[name] });

/**
 * Least enclosing diameter of n equal round things over the diameter of one, from n = 1: the best
 * packings of equal circles in a circle (Kravitz 1967, Pirl 1969, and the table Packomania; from memory; up to
 * seven checked by closed forms in the test).
 */
const ENCLOSES = [
  1, 2, 2.1547, 2.4142, 2.7013, 3, 3, 3.3048, 3.6131, 3.813, 3.9238, 4.0296, 4.2361, 4.3284, 4.5214, 4.6154,
  4.792, 4.8637, 4.8637, 5.1223,
] as const;

/** Orders in which unlike wires are laid round one another; the least room of these is taken. */
const orders: readonly ((a: number, b: number) => number)[] = [(a, b) => b - a, (a, b) => a - b];

/** Diameter of the circle round circles laid against one another by a front chain, in their given order. */
function laidTogether(outsides: readonly number[]): number {
  const circles = outsides.map((d) => ({ x: 0, y: 0, r: d / 2 }));
  return 2 * packEnclose(packSiblings(circles)).r;
}

/**
 * The round hole that wires laid side by side need: of equal ones the best packing known, of unlike ones the
 * least room of several ways of laying them, which is never less than the two thickest side by side.
 * @param outsides diameters over the insulation; at least one
 * @returns in the unit of the diameters
 */
export function bundleMillimetres(outsides: readonly number[]): number {
  const thickest = Math.max(...outsides);
  const asEqual = outsides.length <= ENCLOSES.length ? ENCLOSES[outsides.length - 1] * thickest : Infinity;
  const same = outsides.every((d) => d === thickest);
  if (same && Number.isFinite(asEqual)) return asEqual;
  return Math.min(asEqual, ...orders.map((by) => laidTogether([...outsides].sort(by))));
}
