import { currentProbe } from '../circuit/probe';
import { transientOf } from '../circuit/transient';
import { supplyKind } from '../supply';
import type { Bench } from './bench';

/** The first moments after the power comes on, the reservoir being empty. */
export interface InrushStudy {
  /** Greatest current drawn from the booster. */
  readonly peakAmps: number;
  /** Longest stretch for which more than the booster's limit is drawn, in seconds. */
  readonly overSeconds: number;
  readonly limitAmps: number;
  readonly tripSeconds: number;
}

/** Dips shorter than this, as at the edges of DCC, do not let a booster start its count again. */
const DIP_SECONDS = 20e-6;
/** Time constants after which a charge is as good as over, and how much of it is looked at. */
const TIME_CONSTANTS = 5;
const LONGEST_SECONDS = 0.25;

/**
 * Switches the supply on with the reservoir empty, source and track resistance in the way.
 * @param onProgress told now and then how much of the run is done, 0 to 1; return true to stop
 * @returns null when there is nothing to charge
 */
export function inrushStudy(bench: Bench, onProgress?: (share: number) => boolean): InrushStudy | null {
  const { assembly, supply, lowered } = bench;
  const reservoir = assembly.parts.find((p) => p.kind === 'electrolytic' && !lowered.leftOut.includes(p.id));
  if (!reservoir || reservoir.kind !== 'electrolytic') return null;
  const charge = assembly.parts.find((p) => p.id === 'charge');
  const ohms = supplyKind(supply).sourceOhms(supply) + (charge?.kind === 'resistor' ? charge.ohms : 0);
  const limit = supplyKind(supply).limit(supply);
  const stop = Math.min(
    LONGEST_SECONDS,
    Math.max(1e-3, TIME_CONSTANTS * ohms * reservoir.farads, 2 * limit.seconds),
  );
  const run = transientOf(lowered.netlist, { stop, longestStep: 1e-3, start: 'given' }, (plan) => {
    const amps = currentProbe(plan, 'r_supply');
    return [(s, t) => Math.abs(amps(s, t))];
  });
  let peakAmps = run.step.after[0];
  let since: number | null = null;
  let lastOver = 0;
  let overSeconds = 0;
  run.onStep = (step) => {
    peakAmps = Math.max(peakAmps, step.within[0], step.after[0]);
    if (Math.max(step.before[0], step.after[0]) > limit.amps) {
      if (since === null || step.from - lastOver > DIP_SECONDS) since = step.from;
      lastOver = step.to;
      overSeconds = Math.max(overSeconds, step.to - since);
    }
  };
  while (!run.done) {
    run.advance(2000);
    if (onProgress?.(run.seconds / stop)) break;
  }
  return { peakAmps, overSeconds, limitAmps: limit.amps, tripSeconds: limit.seconds };
}

/** Current drawn after the power comes on, as the most in each of many short stretches. */
export interface InrushTrace {
  /** Length of a stretch, in seconds. */
  readonly step: number;
  readonly amps: Float64Array;
  /** What is drawn once the charge is over: the greatest of the last tenth. */
  readonly settledAmps: number;
}

/** A stretch is long beside a bit of DCC (116 us and more), short beside what trips a booster. */
const TRACE_STEP_SECONDS = 250e-6;
const LEAST_TRACE_SECONDS = 20e-3;

/**
 * The current drawn from the moment the power comes on, reservoir empty, until the charge is as good
 * as over; for a coach without a reservoir what it draws anyway.
 */
export function inrushTrace(bench: Bench): InrushTrace {
  const { assembly, supply, lowered } = bench;
  const reservoir = assembly.parts.find((p) => p.kind === 'electrolytic' && !lowered.leftOut.includes(p.id));
  const farads = reservoir?.kind === 'electrolytic' ? reservoir.farads : 0;
  const charge = assembly.parts.find((p) => p.id === 'charge');
  const ohms = supplyKind(supply).sourceOhms(supply) + (charge?.kind === 'resistor' ? charge.ohms : 0);
  const stop = Math.min(LONGEST_SECONDS, Math.max(LEAST_TRACE_SECONDS, TIME_CONSTANTS * ohms * farads));
  const amps = new Float64Array(Math.ceil(stop / TRACE_STEP_SECONDS));
  const run = transientOf(
    lowered.netlist,
    { stop, longestStep: TRACE_STEP_SECONDS, start: 'given' },
    (plan) => {
      const current = currentProbe(plan, 'r_supply');
      return [(s, t) => Math.abs(current(s, t))];
    },
  );
  const note = (seconds: number, value: number): void => {
    const i = Math.min(amps.length - 1, Math.floor(seconds / TRACE_STEP_SECONDS));
    amps[i] = Math.max(amps[i], value);
  };
  note(0, run.step.after[0]);
  run.onStep = (step) => {
    note(step.middle, step.within[0]);
    note(step.to, step.after[0]);
  };
  while (!run.done) run.advance(2000);
  const tail = amps.subarray(Math.floor(amps.length * 0.9));
  return { step: TRACE_STEP_SECONDS, amps, settledAmps: Math.max(...tail) };
}
