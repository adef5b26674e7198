/**
 * A bipolar transistor's law: the static part of Ebers and Moll's model with the Early effect
 * (Ebers and Moll 1954; Early 1952), parameters as SPICE names them.
 */
export interface TransistorModel {
  /** IS, in amperes. */
  readonly saturationAmps: number;
  /** BF and BR: current gain forward and in reverse. */
  readonly forwardGain: number;
  readonly reverseGain: number;
  /** NF and NR. */
  readonly forwardEmission: number;
  readonly reverseEmission: number;
  /** VAF, in volts; Infinity for none. */
  readonly earlyVolts: number;
  /** RB, RC and RE, in ohms. */
  readonly baseOhms: number;
  readonly collectorOhms: number;
  readonly emitterOhms: number;
}

/** What SPICE takes where a model card says nothing (SPICE3 user's manual, from memory; checked in tests/reference). */
export const plainTransistor: TransistorModel = {
  saturationAmps: 1e-16,
  forwardGain: 100,
  reverseGain: 1,
  forwardEmission: 1,
  reverseEmission: 1,
  earlyVolts: Infinity,
  baseOhms: 0,
  collectorOhms: 0,
  emitterOhms: 0,
};
