import { currentProbe } from '../circuit/probe';
import { transientOf } from '../circuit/transient';
import { supplyKind, type Stress } from '../supply';
import { reservoirsOf } from './line-readings';
import { loweredAt } from './netlist-at';
import { sourceOfLine } from './sources';
import { usualState } from './states';
import type { Netlist } from '../circuit/netlist';
import type { Bench } from './bench';

/** The first moments after the power comes on, the reservoir being empty. */
export interface InrushStudy {
  /** Greatest current drawn from the booster. */
  readonly peakAmps: number;
  /** Longest stretch for which more than the booster's limit is drawn, in seconds. */
  readonly overSeconds: number;
  readonly limitAmps: number;
  readonly tripSeconds: number;
  /** Where on the wave of the mains contact is made when it is worst, in degrees after it passes through nothing; null for another supply. */
  readonly angleDegrees: number | null;
}

/** Dips shorter than this, as at the edges of DCC, do not let a booster start its count again. */
const DIP_SECONDS = 20e-6;
/** Time constants after which a charge is as good as over, and how much of it is looked at. */
const TIME_CONSTANTS = 5;
const LONGEST_SECONDS = 0.25;

/** Angles at which contact is tried to be made on a wave. */
const ANGLES = [0, 60, 75, 90, 105] as const;
/** The peak comes with the first rush. */
const FIRST_SECONDS = 5e-3;

/** The circuit with its supply's wave begun at an angle. */
const begunAt = (netlist: Netlist, phaseDegrees: number): Netlist => ({
  ...netlist,
  elements: netlist.elements.map((e) =>
    e.kind === 'voltage' && e.wave.kind === 'sine' ? { ...e, wave: { ...e.wave, phaseDegrees } } : e,
  ),
});

/** Reservoirs that the supply itself charges, not one beside it. */
const chargedOf = (bench: Bench) => reservoirsOf(bench).filter((r) => !sourceOfLine(bench, r.line).beside);

/** Resistance in the way of the charge, and what is charged. */
function charging(bench: Bench): { ohms: number; farads: number } {
  const { supply, assembly } = bench;
  const resistors = assembly.parts.filter(
    (p) => p.kind === 'resistor' && p.role === 'charge' && !sourceOfLine(bench, p.line).beside,
  );
  const ohms = resistors.reduce((sum, p) => sum + (p.kind === 'resistor' ? p.ohms : 0), 0);
  return {
    ohms: supplyKind(supply).sourceOhms(supply) + ohms,
    farads: chargedOf(bench).reduce((sum, p) => sum + p.farads, 0),
  };
}

/**
 * Switches the supply on with the reservoirs empty, source and track resistance in the way; on a wave
 * at the moment at which most is drawn.
 * @param stress how high the supply is taken; at its highest when left out
 * @param onProgress told now and then how much of the run is done, 0 to 1; return true to stop
 * @returns null when there is nothing to charge
 */
export function inrushStudy(
  bench: Bench,
  onProgress?: (share: number) => boolean,
  stress: Stress = 'highest',
): InrushStudy | null {
  const { supply } = bench;
  const { leftOut } = loweredAt(bench, fullThrottle(bench), { stress });
  if (!chargedOf(bench).some((r) => !leftOut.includes(r.id))) return null;
  const { netlist, angleDegrees } = worstContact(bench, stress);
  const { ohms, farads } = charging(bench);
  const limit = supplyKind(supply).limit(supply);
  const stop = Math.min(LONGEST_SECONDS, Math.max(1e-3, TIME_CONSTANTS * ohms * farads, 2 * limit.seconds));
  const run = drawn(netlist, { stop, enough: ohms * farads, limitAmps: limit.amps }, onProgress);
  return { ...run, limitAmps: limit.amps, tripSeconds: limit.seconds, angleDegrees };
}

/** The circuit as the power comes on; on a wave at the angle at which most is drawn, in degrees, else null. */
function worstContact(bench: Bench, stress: Stress): { netlist: Netlist; angleDegrees: number | null } {
  const { netlist } = loweredAt(bench, fullThrottle(bench), { stress });
  if (!netlist.elements.some((e) => e.kind === 'voltage' && e.wave.kind === 'sine'))
    return { netlist, angleDegrees: null };
  const peaks = ANGLES.map((angle) => ({
    angle,
    amps: drawn(begunAt(netlist, angle), { stop: FIRST_SECONDS, enough: FIRST_SECONDS, limitAmps: Infinity })
      .peakAmps,
  }));
  const angleDegrees = peaks.reduce((worst, p) => (p.amps > worst.amps ? p : worst)).angle;
  return { netlist: begunAt(netlist, angleDegrees), angleDegrees };
}

/** The state of every day with the throttle open: where most is drawn. */
const fullThrottle = (bench: Bench) =>
  usualState(bench, bench.supply.kind === 'dc-track' ? { throttle: 1 } : {});

/**
 * What is drawn while it charges.
 * @param enough seconds after which it is over once no more than the limit is drawn: the charge only falls from there
 */
function drawn(
  netlist: Netlist,
  { stop, enough, limitAmps }: { readonly stop: number; readonly enough: number; readonly limitAmps: number },
  onProgress?: (share: number) => boolean,
): Pick<InrushStudy, 'peakAmps' | 'overSeconds'> {
  const run = transientOf(netlist, { stop, longestStep: 1e-3, start: 'given' }, (plan) => {
    const amps = currentProbe(plan, 'r_supply');
    return [(s, t) => Math.abs(amps(s, t))];
  });
  let peakAmps = run.step.after[0];
  let since: number | null = null;
  let lastOver = 0;
  let overSeconds = 0;
  let lately = 0;
  run.onStep = (step) => {
    lately = Math.max(lately, step.within[0], step.after[0]);
    if (Math.max(step.before[0], step.after[0]) > limitAmps) {
      if (since === null || step.from - lastOver > DIP_SECONDS) since = step.from;
      lastOver = step.to;
      overSeconds = Math.max(overSeconds, step.to - since);
    }
  };
  while (!run.done) {
    lately = 0;
    run.advance(2000);
    peakAmps = Math.max(peakAmps, lately);
    if (run.seconds >= enough && lately <= limitAmps) break;
    if (onProgress?.(run.seconds / stop)) break;
  }
  return { peakAmps, overSeconds };
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
 * The current drawn from the moment the power comes on, with the supply at its highest and reservoirs
 * empty, until the charge is as good as over; for a job without a reservoir what it draws anyway.
 */
export function inrushTrace(bench: Bench): InrushTrace {
  const { netlist } = worstContact(bench, 'highest');
  const { ohms, farads } = charging(bench);
  const stop = Math.min(LONGEST_SECONDS, Math.max(LEAST_TRACE_SECONDS, TIME_CONSTANTS * ohms * farads));
  const amps = new Float64Array(Math.ceil(stop / TRACE_STEP_SECONDS));
  const run = transientOf(netlist, { stop, longestStep: TRACE_STEP_SECONDS, start: 'given' }, (plan) => {
    const current = currentProbe(plan, 'r_supply');
    return [(s, t) => Math.abs(current(s, t))];
  });
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
