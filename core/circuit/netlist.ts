import type { JunctionModel } from '../part/junction-model';
import type { TransistorModel } from '../part/transistor-model';
import type { ChargeLaw } from './charge-law';
import type { Wave } from './waveform';

/** Where an element comes from: the path in the document, the part in the assembly, the role it plays. */
export interface Provenance {
  readonly path?: readonly (string | number)[];
  readonly part?: string;
  readonly role?: string;
}

/** What every element has: a name unique in its netlist and two nodes. Current counts positive into `a`. */
interface Branch {
  readonly id: string;
  readonly a: string;
  readonly b: string;
  readonly of?: Provenance;
}

export interface Resistor extends Branch {
  readonly kind: 'resistor';
  /** Zero joins the two nodes. */
  readonly ohms: number;
}
export interface Capacitor extends Branch {
  readonly kind: 'capacitor';
  readonly farads: number;
  readonly initialVolts?: number;
  /** Where its charge is not a figure times its voltage; `farads` is then what it has at no volts. */
  readonly law?: ChargeLaw;
}
export interface Inductor extends Branch {
  readonly kind: 'inductor';
  readonly henries: number;
  readonly initialAmps?: number;
}
export interface VoltageSource extends Branch {
  readonly kind: 'voltage';
  readonly wave: Wave;
}
export interface CurrentSource extends Branch {
  readonly kind: 'current';
  readonly wave: Wave;
}
export interface Diode extends Branch {
  readonly kind: 'diode';
  readonly model: JunctionModel;
}
/**
 * A two-terminal current limiter, one-way: I = limit tanh^2(V / knee) for V > 0 and nothing but a
 * junction's leak below. At twice the knee it passes 93 % of its limit, at three times 99 %.
 */
export interface Limiter extends Branch {
  readonly kind: 'limiter';
  readonly limitAmps: number;
  readonly kneeVolts: number;
}
/**
 * A linear regulator from input `a` to output `b` with the common terminal `c`: holds the output at
 * its set voltage, or at the input less the dropout where that is lower. Passes current one way only.
 */
export interface Regulator extends Branch {
  readonly kind: 'regulator';
  readonly c: string;
  readonly setVolts: number;
  readonly dropoutVolts: number;
  /** How many side by side it stands for; one when left out. */
  readonly alike?: number;
}
/** A bipolar transistor: collector `a`, emitter `b`, base `c`. Its current is the collector's. */
export interface Transistor extends Branch {
  readonly kind: 'transistor';
  readonly c: string;
  /** The substrate; ground when left out. */
  readonly substrate?: string;
  readonly polarity: 'npn' | 'pnp';
  readonly model: TransistorModel;
}
/** A switch with finite resistances that changes over, within a microsecond, at each given moment. */
export interface Switch extends Branch {
  readonly kind: 'switch';
  readonly onOhms: number;
  readonly offOhms: number;
  readonly closed: boolean;
  /** Ascending moments at which it changes over, in seconds. */
  readonly toggleSeconds: readonly number[];
}

export type Element =
  | Resistor
  | Capacitor
  | Inductor
  | VoltageSource
  | CurrentSource
  | Diode
  | Transistor
  | Limiter
  | Regulator
  | Switch;

/** Elements between named nodes; node `0` is ground. */
export interface Netlist {
  readonly title: string;
  readonly elements: readonly Element[];
}

export const GROUND = '0';

/** The nodes an element touches. */
export const nodesOf = (e: Element): readonly string[] =>
  e.kind === 'regulator' || e.kind === 'transistor' ? [e.a, e.b, e.c] : [e.a, e.b];
