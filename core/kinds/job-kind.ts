import type { Chromaticity } from '../light/difference';
import type { Layout } from '../document/layout';
import type { Patch } from '../document/patch';
import type { SketchVehicle } from '../study/sketch';

/** What an eye beside the track gets of a vehicle as a whole. */
export interface Look {
  readonly lux: number;
  /** Colour of all that is lit; null in the dark. */
  readonly xy: Chromaticity | null;
}

/** An end of a vehicle as it stands in its record: a locomotive's A is its left one. */
export type CarEnd = 'left' | 'right';

/** A red lamp at an end. */
export interface TailLamp {
  readonly lampId: string;
  readonly end: CarEnd;
  /** It shines whichever way the vehicle runs. */
  readonly always: boolean;
}

/** What a kind says of itself to studies of any job; its records, wiring, view and rules stand in their own tables. */
export interface JobKind<J> {
  readonly name: string;
  /** It goes first in a train. */
  readonly heads: boolean;
  /** It stands the other way round: its own forward is the track's reverse. */
  standsTurned(job: J): boolean;
  /** Length of its body, in millimetres. */
  lengthMillimetres(job: J): number;
  /** A name for how it is lit, for comparing ways of building it. */
  words(layout: Layout, jobId: string): string;
  /** How it looks in a train beside its like; null for what is not looked at so. */
  look(layout: Layout, jobId: string): Look | null;
  /** Volts and true RMS amperes of the bulbs it would have in the old way; null where bulbs make no sense. */
  oldBulbs(job: J): { readonly volts: number; readonly amps: number } | null;
  /** Its red lamps for the end of a train. */
  tails(job: J): readonly TailLamp[];
  /** Fits tail lamps at an end; null for what has none to fit. */
  readonly fitTails: ((layout: Layout, jobId: string, end: CarEnd) => readonly Patch[]) | null;
  sketch(layout: Layout, jobId: string): SketchVehicle;
}
