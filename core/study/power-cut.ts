import { voltageProbe, type Probe } from '../circuit/probe';
import { transientOf } from '../circuit/transient';
import { reservoirsOf } from './line-readings';
import { Meter, totalLumens } from './meter';
import { loweredAt } from './netlist-at';
import { lampsOn, sourceOfLine, sourcesOf } from './sources';
import { usualState } from './states';
import type { State } from '../supply/state';
import type { Bench } from './bench';
import type { Readings } from './readings';

/** How far the light has to fall for a word: half, a tenth, a hundredth (lightness 76, 38 and 9). */
export const fades = [
  { share: 0.5, name: 'barely noticed' },
  { share: 0.1, name: 'plainly dimmer' },
  { share: 0.01, name: 'dark' },
] as const;

/** What happens after the power fails, from the steady state on. Time zero is the cut. */
export interface PowerCutStudy {
  readonly seconds: readonly number[];
  /** Light of all lamps together over what it was before the cut. */
  readonly light: readonly number[];
  /** Voltage over the reservoir; empty without one. */
  readonly reservoirVolts: readonly number[];
  /** Moments at which the light falls to the shares of `fades`; null when it does not within the run. */
  readonly moments: readonly (number | null)[];
}

/** Nobody waits longer than this to see a lamp go out. */
const LONGEST_SECONDS = 120;

/**
 * Cuts the power of a job in its steady state and follows the light until it is gone; of lamps on a supply
 * beside its own nothing is said.
 * @param readings of the state, as it was before the cut
 * @param onProgress told now and then how far the light has fallen, 0 to 1; return true to stop
 */
export function powerCutStudy(
  bench: Bench,
  readings: Readings,
  onProgress?: (share: number) => boolean,
  state: State = usualState(bench),
): PowerCutStudy {
  const own = lampsOn(bench, sourcesOf(bench)[0]);
  const isOnIt = (lampId: string): boolean => own.has(lampId);
  const before = totalLumens({ dies: readings.dies.filter((d) => isOnIt(d.lampId)) });
  const lowered = loweredAt(bench, state, { cut: true });
  const { netlist, nodeOf, leftOut } = lowered;
  const reservoir = reservoirsOf(bench).find(
    (p) => !leftOut.includes(p.id) && !sourceOfLine(bench, p.line).beside,
  );
  if (!(before > 0)) return { seconds: [0], light: [0], reservoirVolts: [], moments: fades.map(() => 0) };
  if (!reservoir) {
    return { seconds: [0, 0, 0.1], light: [1, 0, 0], reservoirVolts: [], moments: fades.map(() => 0) };
  }
  const meter = new Meter(bench, lowered);
  const run = transientOf(
    netlist,
    {
      stop: LONGEST_SECONDS,
      longestStep: LONGEST_SECONDS,
      start: { stored: readings.stored },
      relative: 1e-4,
    },
    (plan): Probe[] => [
      meter.totalLight(plan, isOnIt),
      voltageProbe(plan, nodeOf.get(`${reservoir.id}.plus`)!, nodeOf.get(`${reservoir.id}.minus`)!),
    ],
  );
  const seconds: number[] = [];
  const light: number[] = [];
  const volts: number[] = [];
  const note = (t: number, figures: ArrayLike<number>): void => {
    seconds.push(t);
    light.push(figures[0] / before);
    volts.push(figures[1]);
  };
  note(0, run.step.after);
  let stopped = false;
  run.onStep = (step) => {
    if (step.middle < step.to) note(step.middle, step.within);
    note(step.to, step.after);
    if (run.steps % 50 === 0 && onProgress?.(1 - light[light.length - 1])) stopped = true;
  };
  while (!run.done && !stopped && light[light.length - 1] > 0.004) run.advance(1);
  return {
    seconds,
    light,
    reservoirVolts: volts,
    moments: fades.map((f) => fallsTo(seconds, light, f.share)),
  };
}

/** The first moment at which a curve is at or below a share, on straight lines between its points. */
function fallsTo(seconds: readonly number[], light: readonly number[], share: number): number | null {
  const i = light.findIndex((l) => l <= share);
  if (i < 0) return null;
  if (i === 0) return seconds[0];
  const part = (light[i - 1] - share) / (light[i - 1] - light[i]);
  return seconds[i - 1] + part * (seconds[i] - seconds[i - 1]);
}

/** Light at a moment after the cut, over what it was before, on straight lines between the points. */
export function lightAt(cut: PowerCutStudy, moment: number): number {
  const { seconds, light } = cut;
  const i = seconds.findIndex((t) => t > moment);
  if (i < 0) return 0;
  if (i === 0) return light[0];
  const share = (moment - seconds[i - 1]) / (seconds[i] - seconds[i - 1]);
  return light[i - 1] + share * (light[i] - light[i - 1]);
}
