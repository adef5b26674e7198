/** How the charge of a bent capacitor hangs on its voltage. */
export interface ChargeLaw {
  /** @param out receives [coulombs, farads] at a voltage from its first node to its second */
  at(volts: number, out: Float64Array): void;
  /** A Newton step from one voltage to another, shortened where the charge rises too steeply. */
  limited(wanted: number, before: number): number;
}
