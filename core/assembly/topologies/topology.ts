import type { LampCircuitRecord, VehicleLampRecord } from '../../document/locomotive-record';
import type { Part, Terminal } from '../assembly';

/** Conducts while lead one is positive (1) or negative (-1). */
export type Sense = 1 | -1;

/** A lamp about to be wired, and the way it should shine. */
export interface LampToWire {
  readonly id: string;
  readonly lamp: VehicleLampRecord;
  readonly sense: Sense;
}

/** What a topology lays its parts with: its two leads and the means to put parts between them. */
export interface Wiring {
  readonly circuitId: string;
  readonly circuit: LampCircuitRecord;
  readonly lamps: readonly LampToWire[];
  /** Ends of the two leads that feed it; on a decoder `one` is the plus side. */
  readonly one: Terminal;
  readonly two: Terminal;
  add(part: Part): void;
  wire(from: Terminal, to: Terminal): void;
  /** A resistor with its first end on a terminal. @returns its other end */
  resistor(from: Terminal, id: string, label: string, ohms: number, role: 'each' | 'shared'): Terminal;
  /** A lamp between two terminals, shining while the first is the positive one; second colour the other way. */
  lamp(of: LampToWire, plus: Terminal, minus: Terminal): void;
  /** A bulb between two terminals. */
  bulb(of: LampToWire, one: Terminal, two: Terminal): void;
  path(...rest: (string | number)[]): (string | number)[];
}

/** One way to wire a circuit; one file each, listed in `index.ts`. */
export interface Topology {
  readonly id: string;
  readonly name: string;
  /** In one sentence: what it is and what it costs. */
  readonly says: string;
  /** Where it makes sense. */
  readonly on: readonly ('track' | 'output')[];
  /** Which resistor it takes: one for all, each lamp its own, or none. */
  readonly resistors: 'shared' | 'each' | 'none';
  lay(wiring: Wiring): void;
}

export const t = (part: string, terminal: string): Terminal => ({ part, terminal });
