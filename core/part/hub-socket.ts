import type { TransistorModel } from './transistor-model';

/** A socket of a lamp hub: what stands behind its two pins. */
export interface HubSocket {
  /** In series with the lamp. */
  readonly seriesOhms: number;
  /** From plus to the base of its transistor. */
  readonly baseOhms: number;
  /** The whole of its trimmer, from base to minus, and how far it is turned up, 0 to 1. */
  readonly trimmerOhms: number;
  readonly turn: number;
  /** Its jumper is in. */
  readonly on: boolean;
}

/**
 * The transistor of such a socket: a small-signal one, typical, from memory. With it a hub on 24 V gives
 * 16 mA at full and is dark from about half a turn, as one was read (common practice, one specimen).
 */
export const socketTransistor: TransistorModel = {
  saturationAmps: 1e-14,
  forwardGain: 200,
  reverseGain: 4,
  forwardEmission: 1,
  reverseEmission: 1,
  earlyVolts: 100,
  baseOhms: 0,
  collectorOhms: 1,
  emitterOhms: 0,
};

/** A socket as one was read at 24 V: 681 ohm, 154 kohm, 10 kohm (common practice, one specimen). */
export const usualSocket: HubSocket = {
  seriesOhms: 681,
  baseOhms: 154e3,
  trimmerOhms: 10e3,
  turn: 1,
  on: true,
};

/** What a small transistor sheds for long, in watts (typical of a three-legged chip, from memory). */
export const SOCKET_TRANSISTOR_WATTS = 0.25;
/** A wiper never reaches nothing (typical, from memory). */
export const LEAST_TRIMMER_OHMS = 10;
/** What the lamp's own resistor on the hub bears, in watts (typical chip, from memory). */
export const SOCKET_RESISTOR_WATTS = 0.25;
