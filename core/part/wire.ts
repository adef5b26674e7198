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

/** Round wires laid together take this much more than their bare area (loose bundle, common practice, no source). */
const PACKING = 1.3;

/** Thickness of round wires laid together: sqrt(packing x sum of squares). Millimetres, in and out. */
export const bundleMillimetres = (outsides: readonly number[]): number =>
  outsides.length === 1 ? outsides[0] : Math.sqrt(PACKING * outsides.reduce((sum, d) => sum + d * d, 0));
