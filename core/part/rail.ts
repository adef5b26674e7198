import { conductorOhms } from '../quantity/conductor';
import { feedWires, type FeedWire } from './feed-wire';

/** A rail of track, as it is laid: one of the two conductors of its track. */
export interface Rail {
  readonly id: string;
  readonly name: string;
  readonly heightMillimetres: number;
  /** What it bears, in amperes. */
  readonly bearsAmps: number;
  /** Of one rail with its joiners, in ohms a metre. */
  readonly ohmsPerMetre: number;
}

/** Nickel silver with 18 % of nickel: ohm square millimetres a metre at 20 degrees (typical, from memory). */
const NICKEL_SILVER = 0.29;
/** A clean joiner has so much, and there is one at each end of a length of track (common practice, no source). */
const JOINER_OHMS = 0.01;
const LENGTH_METRES = 0.914;

/** Height is what its code says, in thousandths of an inch; sections are typical, from memory. */
const rail = (code: number, squareMillimetres: number, bearsAmps: number): Rail => ({
  id: `rail-${code}`,
  name: `Rail, code ${code}`,
  heightMillimetres: code * 0.0254,
  bearsAmps,
  ohmsPerMetre: NICKEL_SILVER / squareMillimetres + JOINER_OHMS / LENGTH_METRES,
});

/** Rails of nickel silver; what they bear is common practice, no source. Another is an entry more. */
export const rails: Readonly<Record<string, Rail>> = Object.fromEntries(
  [rail(55, 1.1, 5), rail(70, 1.6, 7), rail(83, 2, 8), rail(100, 2.6, 10)].map((r) => [r.id, r]),
);
export const railNames = Object.keys(rails) as [string, ...string[]];

/** Whether a run of the network is a piece of track rather than wire. */
export const isRail = (id: string): boolean => Object.hasOwn(rails, id);

/** What a run of the network is laid in, wire or rail, as far as both have it; a metre of one conductor. */
export interface RunConductor {
  readonly name: string;
  readonly bearsAmps: number;
  readonly ohmsPerMetre: number;
  /** Nothing for track, which is bought for its own sake. */
  readonly metrePrice: number;
}

const ofWire = ({ name, bearsAmps, metrePrice, squareMillimetres }: FeedWire): RunConductor => ({
  name,
  bearsAmps,
  metrePrice,
  ohmsPerMetre: conductorOhms(1000, squareMillimetres),
});

/** Wires and rails by their ids. */
export const runConductors: Readonly<Record<string, RunConductor>> = Object.fromEntries([
  ...Object.values(feedWires).map((w) => [w.id, ofWire(w)] as const),
  ...Object.values(rails).map((r) => [r.id, { ...r, metrePrice: 0 }] as const),
]);
