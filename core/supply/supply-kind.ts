import type { Element, Provenance } from '../circuit/netlist';

/** What every kind of supply answers; one file a kind. */
export interface SupplyKind<S> {
  readonly kind: string;
  readonly name: string;
  /** The highest amplitude it can give, in volts. */
  highestVolts(supply: S): number;
  /** What it delivers before it switches off, and how long it bears more. */
  limit(supply: S): { readonly amps: number; readonly seconds: number };
  /**
   * Its circuit between the two rails.
   * @param volts amplitude to use in place of the one it is set to
   */
  lower(
    supply: S,
    nodes: { readonly right: string; readonly left: string },
    volts: number | null,
    of: Provenance,
  ): Element[];
}
