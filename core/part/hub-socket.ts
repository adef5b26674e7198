import { THERMAL_VOLTS } from './junction-model';
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
 * The transistor of such a socket: a small-signal one, typical, from memory. What one hub was read at with
 * it is held in the test of the trimmer's travel.
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

/** A socket in round values that set a lamp over most of the trimmer's way at 24 V. */
export const usualSocket: HubSocket = {
  seriesOhms: 680,
  baseOhms: 220e3,
  trimmerOhms: 22e3,
  turn: 1,
  on: true,
};

/** Trimmers as they are sold, in ohms (common practice, no source). */
export const trimmersSold = [10e3, 22e3, 47e3, 100e3, 220e3, 470e3] as const;

/** What a small transistor sheds for long, in watts (typical of a three-legged chip, from memory). */
export const SOCKET_TRANSISTOR_WATTS = 0.25;
/** A wiper never reaches nothing (typical, from memory). */
export const LEAST_TRIMMER_OHMS = 10;
/** What the lamp's own resistor on the hub bears, in watts (typical chip, from memory). */
export const SOCKET_RESISTOR_WATTS = 0.25;

/** A current below which nothing is meant to light. */
const LEAST_AMPS = 1e-6;

/**
 * How far the trimmer has to be turned for a current: what the base resistor lets through, less what
 * the base needs for it, flows in the trimmer, R = Vbe/((V - Vbe)/Rb - I/(BF (1 + Vcb/VAF))), with
 * Vbe = Vt ln(I/IS) (Ebers and Moll).
 * @param volts behind the hub's bridge
 * @param lampVolts over the lamp
 * @returns 0 to 1
 */
export function turnFor(socket: HubSocket, volts: number, lampVolts: number, amps: number): number {
  const { saturationAmps, forwardGain, earlyVolts } = socketTransistor;
  const base = THERMAL_VOLTS * Math.log(Math.max(amps, LEAST_AMPS) / saturationAmps);
  const collector = Math.max(0, volts - lampVolts - amps * socket.seriesOhms - base);
  const left = (volts - base) / socket.baseOhms - amps / (forwardGain * (1 + collector / earlyVolts));
  if (left <= 0) return 1;
  return Math.min(1, base / left / socket.trimmerOhms);
}
