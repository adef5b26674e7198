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
