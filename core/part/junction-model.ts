import type { JunctionCharge } from './junction-charge';

/**
 * A junction diode's law (SPICE level 1, static part).
 * Forward: I = IS (exp(V/(N Vt)) - 1), RS in series; reverse breakdown carries IBV at -BV.
 */
export interface JunctionModel {
  readonly saturationAmps: number;
  readonly emission: number;
  readonly seriesOhms: number;
  readonly breakdownVolts?: number;
  /** Current at the breakdown voltage; 1 mA when left out. */
  readonly breakdownAmps?: number;
  /** What it stores; nothing when left out. */
  readonly charge?: JunctionCharge;
}

/** Boltzmann constant over elementary charge (exact SI 2019 values) times 300.15 K, in volts. */
export const THERMAL_VOLTS = (1.380649e-23 / 1.602176634e-19) * 300.15;
