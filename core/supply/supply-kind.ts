import type { Element, Provenance } from '../circuit/netlist';
import type { Input } from './state';

/** What a person's hand is on: outside the document, remembered, not undone. */
export interface Controls {
  /** Share of full throttle, 0 to 1; only a DC track heeds it. */
  readonly throttle: number;
  readonly direction: 'forward' | 'reverse';
  /** Both senses at once, where a board drives them. */
  readonly both?: boolean;
}

export const usualControls: Controls = { throttle: 1, direction: 'forward' };

/** The two conductors a supply comes on. On a cell or a bus `right` is plus and `left` minus. */
export interface SupplyNodes {
  readonly right: string;
  readonly left: string;
}

/**
 * How hard a supply drives: as it is set; at the most it can be set or drift to, which what it feeds
 * must bear for long; or at the most it ever gives, a pulse too.
 */
export type Stress = 'usual' | 'highest' | 'pulse';

/** How a supply is to be taken for one study. */
export interface Feeding {
  readonly controls: Controls;
  readonly stress?: Stress;
}

/** Something a supply can do to a job that is not its everyday state. */
export interface SupplyFault {
  readonly id: string;
  readonly name: string;
  readonly says: string;
}

/** What every kind of supply answers; one file a kind, listed in `index.ts`. */
export interface SupplyKind<S> {
  readonly kind: string;
  readonly name: string;
  /** Wheels collect it, so dirty rail and dead frogs interrupt it. */
  readonly onTrack: boolean;
  /** Its two sides change over, by themselves or with the direction: what hangs on it needs a rectifier. */
  readonly changesSides: boolean;
  /** It is switched on by a switch of its own in its first lead, as a cell on board is. */
  readonly ownSwitch: boolean;
  /** What of it a hand sets. */
  inputs(supply: S): readonly Input[];
  /** Names of its two conductors, as the trade has them. */
  readonly sides: { readonly right: string; readonly left: string };
  /** In a few words with its figure: "DCC ±15 V". */
  words(supply: S, controls: Controls): string;
  /** The highest voltage, peak and without sign, that it can give, in volts. */
  highestVolts(supply: S): number;
  /** What it delivers before it switches off or suffers, and how long it bears more. */
  limit(supply: S): { readonly amps: number; readonly seconds: number };
  /** What its limit is about: the moment, as a booster switches off, or the RMS that warms a transformer and its cut-out. */
  feels(supply: S): 'moment' | 'rms';
  /** Resistance between its terminals' far ends: source, wires, rails and wheels. */
  sourceOhms(supply: S): number;
  /** The same supply with so many ohms more on the way to what it feeds; a cell on board has its job alone. */
  behind(supply: S, ohms: number): S;
  /** Says " at full throttle" of what was found at its highest; empty where nothing is higher. */
  highestWords(supply: S): string;
  /** What it may do wrong. */
  faults(supply: S): readonly SupplyFault[];
  /** Its circuit. The element `r_supply` lies in the right conductor, its current positive towards the job. */
  lower(supply: S, nodes: SupplyNodes, feeding: Feeding, of: Provenance): Element[];
}

/** A source between the far ends, and the resistance in the right conductor: what most supplies are. */
export function sourceBehindOhms(
  wave: Extract<Element, { kind: 'voltage' }>['wave'],
  ohms: number,
  { right, left }: SupplyNodes,
  of: Provenance,
): Element[] {
  return [
    { kind: 'voltage', id: 'v_supply', a: 'supply', b: left, of, wave },
    { kind: 'resistor', id: 'r_supply', a: 'supply', b: right, ohms, of },
  ];
}

/** Supplies are loaded to this share of what they give at most (common practice, no source). */
export const LOADED_SHARE = 0.8;

/** Whether a supply is taken higher than it is set. */
export const high = (stress: Stress | undefined): boolean => stress !== undefined && stress !== 'usual';
