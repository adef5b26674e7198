/**
 * What a junction stores: the charge of its depletion layer and of the carriers on their way through it
 * (SPICE's CJ0, VJ, M, FC and TT; SPICE3 user's manual, from memory, checked in tests/reference).
 */
export interface JunctionCharge {
  /** Capacitance at no volts, in farads. */
  readonly zeroBiasFarads: number;
  /** VJ, in volts. */
  readonly builtInVolts: number;
  /** M. */
  readonly grading: number;
  /** FC: the share of VJ from which the capacitance goes on as a straight line. */
  readonly forwardShare: number;
  /** TT (TF or TR of a transistor), in seconds. */
  readonly transitSeconds: number;
}

/** What SPICE takes where a model card says nothing. */
export const plainCharge: JunctionCharge = {
  zeroBiasFarads: 0,
  builtInVolts: 1,
  grading: 0.5,
  forwardShare: 0.5,
  transitSeconds: 0,
};

/** Whether a junction stores anything. */
export const stores = (charge: JunctionCharge | undefined): charge is JunctionCharge =>
  charge !== undefined && (charge.zeroBiasFarads > 0 || charge.transitSeconds > 0);

/** So many junctions side by side. Pure. */
export const timesCharge = (charge: JunctionCharge, count: number): JunctionCharge => ({
  ...charge,
  zeroBiasFarads: charge.zeroBiasFarads * count,
});
