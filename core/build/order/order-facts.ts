import type { LampBodyName } from '../../part/lamp-body';
import type { Passage } from '../../assembly/passages';
import type { Layout } from '../../document/layout';
import type { SoldNeed } from '../../part/sold-need';
import type { Tool } from './task';

/** Work on the body: holes, notches, blackening. */
export interface BodyWork {
  readonly id: string;
  readonly does: string;
  readonly says: string;
  readonly tool: Extract<Tool, 'drill' | 'file' | 'knife' | 'brush' | 'iron' | 'hands'>;
  /** The drills it takes, in millimetres. */
  readonly sizes?: readonly number[];
  /** What it uses up of what is bought, for one job: tube for a mast, a hood. */
  readonly takes?: readonly SoldNeed[];
  /** Lamps it is for; none where it is for all. */
  readonly lamps: readonly string[];
  /** A lamp sits in what it makes, so it comes before the lamp’s leads are threaded. */
  readonly before: 'threading' | 'fixing';
  readonly minutes: number;
  readonly dryMinutes: number;
  readonly undone: 'can' | 'cannot';
  /** Other works it comes after, by id. */
  readonly after?: readonly string[];
}

/** How the body comes open and is closed. */
export interface Opening {
  readonly does: string;
  readonly says: string;
  readonly closes: string;
}

/** How the lamps of a place are held in the end. */
export interface Fixing {
  readonly does: string;
  readonly says: string;
  readonly by: 'glue' | 'tape' | 'seat';
}

/** What a kind says of how one of its jobs is built; what is shared by all is not said here. */
export interface OrderFacts<J> {
  /** Null for what has no body to open. */
  opening(job: J): Opening | null;
  works(layout: Layout, job: J): readonly BodyWork[];
  fixing(job: J, place: string): Fixing;
  /** How its motor is parted from the rails before a decoder is fitted; null where there is none to part. */
  motor?(job: J): { readonly does: string; readonly says: string } | null;
  /** What is minded where a hole is made for leads; null where nothing is. */
  hole?(job: J, passage: Passage): string | null;
  /** What its label goes on: a box, or its leads. */
  readonly label: string;
  /** What the thing a lamp sits in is called: "end A", "the roof". */
  placeName(place: string): string;
  /** Whether a lamp comes without leads of its own. */
  bare(job: J, lampId: string): boolean;
  /** The body a lamp comes in, where the kind knows it. */
  lampBody(job: J, lampId: string): LampBodyName | null;
  /** Wires that have to move with something when it runs. */
  slack(job: J): string | null;
  /** Its shell is so thin that an iron goes through and light does too. */
  thinShell(job: J): boolean;
}
