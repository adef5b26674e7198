import type { Spread } from '../circuit/average';
import type { FlickerComponent } from '../light/flicker';
import type { PoolLamp } from '../light/pool';
import type { LedPart } from '../part/led';
import type { State } from '../supply/state';

/** One colour of a lamp, or a bulb, as it burns. */
export interface DieReading {
  readonly part: string;
  readonly lampId: string;
  /** Place of the lamp among those of its job, from 1. */
  readonly number: number;
  readonly circuitId: string | null;
  /** It is the other colour of a two-colour lamp. */
  readonly second: boolean;
  /** Null for a bulb. */
  readonly led: LedPart | null;
  readonly amps: Spread;
  /** What its light comes of: the mean of its current the right way, of a bulb the true RMS. */
  readonly litAmps: number;
  /** Between the lamp's two leads, of which a second colour has the other one as plus. */
  readonly volts: Spread;
  /** The most that stands backwards across this colour alone, behind what is built in; 0 for a bulb. */
  readonly reverseVolts: number;
  /** Mean of its light behind its tint: light follows the current at every moment, and is averaged after. */
  readonly lumens: number;
  /** How bright it looks by itself, 0 to 100, above 100 for more than full. */
  readonly lightness: number;
  /** Chromaticity behind its tint, CIE 1931. */
  readonly xy: { readonly x: number; readonly y: number };
  readonly flicker: FlickerComponent | null;
}

/** Current through a part from its first terminal to its second, the voltage between them, and its heat. */
export interface PartReading {
  readonly amps: Spread;
  readonly across: Spread;
  /** Mean heat, in watts. */
  readonly watts: number;
}

/** What a supply delivers, and the volts between its two sides at the job. */
export interface Delivered {
  readonly amps: Spread;
  readonly volts: Spread;
}

/** What flows and shines in one phase of a state, once it has been on for long. Means are over one period. */
export interface Readings {
  readonly dies: readonly DieReading[];
  /** Resistors, fuses, limiters, regulators, electrolytics, and what stands behind bridges and diodes, by part. */
  readonly parts: ReadonlyMap<string, PartReading>;
  /** Between the two leads that the lamps of a line hang on, by line; of a line built twice its first. */
  readonly lines: ReadonlyMap<string, Spread>;
  /** What flows in each output while it conducts: what its limit is about. */
  readonly outputAmps: ReadonlyMap<string, number>;
  /** What the supply delivers, without sign; and its true RMS. */
  readonly supplyAmps: Spread;
  readonly supplyRmsAmps: number;
  /** What each supply beside it delivers, by its part. */
  readonly beside: ReadonlyMap<string, Delivered>;
  /** Between the supply's two sides at the job, without sign. */
  readonly railVolts: Spread;
  readonly period: number;
  /** Charges at the start of the period, for runs that begin here. */
  readonly stored: Float64Array;
}

/** What a kind says of its lamps: when they are meant to shine where no driver decides, and how bright they look. */
export interface LampView<J> {
  shines(job: J, lampId: string, state: State, second: boolean): boolean;
  /** How bright one looks by itself, 0 to 100 and above. */
  lightness(job: J, die: Pick<DieReading, 'lampId' | 'led' | 'litAmps' | 'lumens'>): number;
  /** Its lamps over the ground, where they are there to light it. */
  pool?(job: J): readonly PoolLamp[];
}
