import type { WireColour } from '../part/wire-colour';
import type { WireRole } from '../document/wire-legend';
import type { BuiltInRecord } from '../document/lamp-record';
import type { BoughtBoardName } from '../part/bought-board';
import type { BulbPart } from '../part/bulb';
import type { DecoderOutput } from '../part/decoder-type';
import type { HubSocket } from '../part/hub-socket';
import type { LedPart } from '../part/led';
import type { Supply } from '../supply';
import type { Spot } from './spot';
import type { DriverBuild, DriverFeed, DriverNeed } from '../supply/drivers/driver-kind';

/** A terminal of a part: `bridge` `plus`. */
export interface Terminal {
  readonly part: string;
  readonly terminal: string;
}

export type DocumentPath = readonly (string | number)[];

interface PartBase {
  readonly id: string;
  /** What the person calls it. */
  readonly label: string;
  /** Where in the document it comes from. */
  readonly path: DocumentPath;
  /** The line, circuit and lamp it belongs to; null where it belongs to none. */
  readonly line: string | null;
  readonly circuit: string | null;
  readonly lamp: string | null;
  /** The place of the job it sits in, where its lamps have places: `A`, `roof`. Null at the hub of the wiring. */
  readonly place: string | null;
  /** The board bought whole that it comes on; null for a loose part. */
  readonly board: BoughtBoardName | null;
  /** Which paths of the document decide its figures, so that whoever changes one need not know the record. */
  readonly decides: Readonly<Partial<Record<Figure, DocumentPath>>>;
}

/** Figures of a part that a person chooses. */
export type Figure =
  | 'ohms'
  | 'ratedWatts'
  | 'amps'
  | 'farads'
  | 'ratedVolts'
  | 'outVolts'
  | 'dropoutVolts'
  | 'on'
  | 'turn'
  | 'reversed';

/** The parts on the bench, by kind, with the names of their terminals. */
export type Part = PartBase &
  (
    | {
        readonly kind: 'rails';
        readonly supplyId: string;
        /** What feeds it where it is not the supply that the job is set on. */
        readonly beside: Supply | null;
      }
    | { readonly kind: 'switch'; readonly name: string; readonly on: boolean }
    | { readonly kind: 'fuse'; readonly amps: number }
    | {
        readonly kind: 'bridge';
        readonly diode: 'silicon' | 'schottky';
        /** Four diodes rather than one moulded part. */
        readonly loose: boolean;
      }
    | {
        readonly kind: 'diode';
        readonly diode: 'silicon' | 'schottky';
        readonly role: 'rectifier' | 'discharge' | 'steering';
      }
    | {
        readonly kind: 'regulator';
        readonly outVolts: number;
        readonly dropoutVolts: number;
        readonly quiescentAmps: number;
      }
    | { readonly kind: 'limiter'; readonly amps: number }
    | ({ readonly kind: 'socket' } & HubSocket)
    | {
        readonly kind: 'resistor';
        readonly ohms: number;
        readonly ratedWatts: number;
        readonly role: 'charge' | 'each' | 'shared';
      }
    | { readonly kind: 'electrolytic'; readonly farads: number; readonly ratedVolts: number }
    | {
        readonly kind: 'lamp';
        readonly led: LedPart;
        /** The other colour of a two-colour lamp, which lies the other way round behind the same leads. */
        readonly second: LedPart | null;
        /** What is hidden in it besides what its type has; both colours share it. */
        readonly builtIn: BuiltInRecord;
        /** What leaks past its junctions; null for a sound one. */
        readonly leakOhms: number | null;
        readonly number: number;
      }
    | {
        readonly kind: 'bulb';
        readonly bulb: BulbPart;
        readonly number: number;
      }
    | {
        readonly kind: 'decoder';
        readonly outputs: readonly DecoderOutput[];
        readonly onOhms: number;
        readonly switches: 'minus' | 'plus';
        /** What it takes for itself. */
        readonly ownAmps: number;
        /** Taken out of its socket: its contacts are bare. */
        readonly unplugged: boolean;
      }
    | ({
        readonly kind: 'driver';
        readonly feed: DriverFeed;
        /** What it is put together from, for lists. */
        readonly needs: readonly DriverNeed[];
        /** Its leads are not on it: its contacts are bare. */
        readonly unplugged: boolean;
      } & DriverBuild)
    | {
        /** A motor that shares the supply with the lamps, as it draws under way. */
        readonly kind: 'motor';
        readonly volts: number;
        readonly amps: number;
      }
    | {
        /** A battery with a resistor in one lead: the bench tester. */
        readonly kind: 'tester';
        readonly volts: number;
        readonly ohms: number;
      }
    | {
        /** Where more wires meet than a terminal holds. */
        readonly kind: 'junction';
        readonly form: JunctionForm;
        /** Its first and its last tap, in millimetres of the job; null for what lies where the rest of the wiring does. */
        readonly taps: readonly [Spot, Spot] | null;
      }
  );
/** A wire bared along its way, a bare rail, screws of a strip, a pad of copper, what collects at a second bogie. */
export type JunctionForm = 'wire' | 'rail' | 'strip' | 'pad' | 'pickups';
export type PartKind = Part['kind'];

/** The part that is the supply a job is set on. */
export const RAILS = 'rails';
/** Id of the part that is a supply beside it. */
export const besideId = (supplyId: string): string => `${RAILS}-${supplyId}`;
/** Whether a part is a supply, by its id. */
export const isSource = (partId: string): boolean => partId === RAILS || partId.startsWith(`${RAILS}-`);

/** Outputs a decoder may have, and another driver. */
const MOST_OUTPUTS = 16;
const MOST_DRIVER_OUTPUTS = 40;
/** Rows a matrix may have, and columns. */
const MOST_ROWS = 8;
const outputs = (count: number): string[] => Array.from({ length: count }, (_, i) => `out${i + 1}`);

export const terminalsOf: Readonly<Record<PartKind, readonly string[]>> = {
  rails: ['right', 'left'],
  switch: ['one', 'two'],
  fuse: ['one', 'two'],
  bridge: ['right', 'left', 'plus', 'minus'],
  diode: ['anode', 'cathode'],
  regulator: ['in', 'out', 'common'],
  limiter: ['in', 'out'],
  socket: ['plus', 'minus', 'out'],
  resistor: ['one', 'two'],
  electrolytic: ['plus', 'minus'],
  lamp: ['anode', 'cathode'],
  bulb: ['one', 'two'],
  decoder: ['red', 'black', 'orange', 'grey', 'blue', 'ground', ...outputs(MOST_OUTPUTS)],
  driver: [
    ...['right', 'left', 'common', ...outputs(MOST_DRIVER_OUTPUTS)],
    ...['row', 'column'].flatMap((of) => Array.from({ length: MOST_ROWS }, (_, i) => `${of}${i + 1}`)),
  ],
  motor: ['one', 'two'],
  tester: ['plus', 'minus'],
  junction: ['tap'],
};

/** A piece of wire from one terminal to another. */
export interface Lead {
  readonly id: string;
  readonly from: Terminal;
  readonly to: Terminal;
  readonly colour: WireColour;
  /** What it does, by the job's legend. */
  readonly role: WireRole;
  /** Resistance of a bad joint in it, in ohms; 0 for a sound one. */
  readonly jointOhms: number;
  /** The passages it goes through, by id. */
  readonly through: readonly string[];
  /** Copper of a strip that is not cut here: nothing is done about it. */
  readonly uncut?: true;
}

/** Where the lamps of a line hang, behind all that stands in it. */
export interface LineEnd {
  readonly line: string;
  /** For a line that is built once for each way: 1 conducts while lead one is positive, -1 the other way; else null. */
  readonly way: 1 | -1 | null;
  readonly plus: Terminal;
  readonly minus: Terminal;
}

/** What is on the bench, or will be: the physical truth that drawings, sheets and the netlist come from. */
export interface Assembly {
  readonly jobId: string;
  readonly parts: readonly Part[];
  readonly leads: readonly Lead[];
  readonly lines: readonly LineEnd[];
}

/** A part that shines: a lamp of one or two colours, or a bulb. */
export type ShiningPart = Extract<Part, { kind: 'lamp' | 'bulb' }>;
export const shines = (part: Part): part is ShiningPart => part.kind === 'lamp' || part.kind === 'bulb';

export const terminalKey = (t: Terminal): string => `${t.part}.${t.terminal}`;

/**
 * The nets: terminals that sound leads join, as a map from terminal key to the net's name.
 * Bad joints do not join; the netlist puts their resistance there.
 */
export function netsOf(assembly: Pick<Assembly, 'parts' | 'leads'>): Map<string, string> {
  const parent = new Map<string, string>();
  const find = (key: string): string => {
    let at = key;
    for (let up = parent.get(at); up !== undefined && up !== at; up = parent.get(at)) {
      // The way is shortened as it is gone.
      const next = parent.get(up);
      if (next !== undefined) parent.set(at, next);
      at = up;
    }
    return at;
  };
  const place = new Map<string, number>();
  for (const part of assembly.parts) {
    for (const terminal of terminalsOf[part.kind]) {
      const key = terminalKey({ part: part.id, terminal });
      parent.set(key, key);
      place.set(key, place.size);
    }
  }
  for (const lead of assembly.leads) {
    if (lead.jointOhms > 0) continue;
    const [a, b] = [find(terminalKey(lead.from)), find(terminalKey(lead.to))];
    // The part placed first names the net.
    if (a === b) continue;
    const aFirst = place.get(a)! < place.get(b)!;
    parent.set(aFirst ? b : a, aFirst ? a : b);
  }
  return new Map([...place.keys()].map((key) => [key, find(key)]));
}

/** Terminals that no lead ends at. */
export function looseTerminals(assembly: Assembly): Terminal[] {
  const reached = new Set(assembly.leads.flatMap((l) => [terminalKey(l.from), terminalKey(l.to)]));
  return assembly.parts.flatMap((part) =>
    terminalsOf[part.kind]
      .map((terminal) => ({ part: part.id, terminal }))
      .filter((t) => !reached.has(terminalKey(t))),
  );
}
