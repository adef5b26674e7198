import type { JunctionCharge } from './junction-charge';

/**
 * A bipolar transistor's law: Ebers and Moll's model with the Early effect, with Gummel and Poon's fall of
 * the gain at high and low currents where they are given (Ebers and Moll 1954; Early 1952; Gummel and Poon 1970), parameters as SPICE names them.
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
  /** VAR, in volts. */
  readonly reverseEarlyVolts?: number;
  /** IKF and IKR: currents beyond which the gain falls, in amperes. */
  readonly forwardKneeAmps?: number;
  readonly reverseKneeAmps?: number;
  /** ISE with NE, and ISC with NC: what a junction leaks that is not amplified, in amperes. */
  readonly emitterLeakAmps?: number;
  readonly emitterLeakEmission?: number;
  readonly collectorLeakAmps?: number;
  readonly collectorLeakEmission?: number;
  /** What base and emitter, and base and collector, store; nothing when left out. */
  readonly emitterCharge?: JunctionCharge;
  readonly collectorCharge?: JunctionCharge;
  /** CCS: between collector and substrate, in farads. */
  readonly substrateFarads?: number;
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
