/** How closely Newton's iteration must settle. */
export interface Tolerance {
  /** Relative and absolute error of a nonlinear branch's current, in amperes. */
  readonly relative: number;
  readonly amps: number;
  /** The same as a share of the greatest current any nonlinear branch carries. */
  readonly ampsOfGreatest: number;
  /** Relative and absolute change of a voltage in the last step, in volts. */
  readonly voltsRelative: number;
  readonly volts: number;
  /** Share of its slope by which a branch may move from where its tangent was taken before it is taken anew. */
  readonly tangentShare: number;
  readonly iterations: number;
}
export const STATIC_TOLERANCE: Tolerance = {
  relative: 1e-9,
  amps: 1e-13,
  ampsOfGreatest: 0,
  voltsRelative: 1e-9,
  volts: 1e-9,
  tangentShare: 0,
  iterations: 120,
};
export const RUN_TOLERANCE: Tolerance = {
  relative: 3e-5,
  amps: 1e-12,
  ampsOfGreatest: 1e-6,
  voltsRelative: 1e-4,
  volts: 1e-4,
  tangentShare: 2e-3,
  iterations: 40,
};
