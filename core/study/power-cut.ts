import { elementId } from '../assembly/element-id';
import { lower } from '../assembly/lower';
import { currentProbe, voltageProbe, type Probe } from '../circuit/probe';
import { transientOf } from '../circuit/transient';
import { lumensAt } from '../part/led';
import { tints } from '../part/tint';
import { tintedLight } from '../light/tinted';
import type { Part } from '../assembly/assembly';
import type { Bench } from './bench';
import type { SteadyStudy } from './steady';

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
 * Cuts the power of a job in its steady state and follows the light until it is gone.
 * @param onProgress told now and then how far the light has fallen, 0 to 1; return true to stop
 */
export function powerCutStudy(
  bench: Bench,
  steady: SteadyStudy,
  onProgress?: (share: number) => boolean,
): PowerCutStudy {
  const { assembly, supply } = bench;
  const before = steady.lamps.reduce((sum, l) => sum + l.lumens, 0);
  const { netlist, nodeOf, leftOut } = lower(assembly, supply, { cut: true });
  const lamps = assembly.parts.filter(
    (p): p is Part & { kind: 'lamp' } => p.kind === 'lamp' && !leftOut.includes(p.id),
  );
  const reservoir = assembly.parts.find((p) => p.kind === 'electrolytic' && !leftOut.includes(p.id));
  if (!(before > 0)) return { seconds: [0], light: [0], reservoirVolts: [], moments: fades.map(() => 0) };
  if (!reservoir) {
    return { seconds: [0, 0, 0.1], light: [1, 0, 0], reservoirVolts: [], moments: fades.map(() => 0) };
  }
  const run = transientOf(
    netlist,
    { stop: LONGEST_SECONDS, longestStep: LONGEST_SECONDS, start: { stored: steady.stored }, relative: 1e-4 },
    (plan): Probe[] => {
      const amps = lamps.map((l) => ({
        led: l.led,
        share: tintedLight(l.led.colour, tints[bench.job.lamps[l.lampId].tint]).share,
        probe: currentProbe(plan, elementId('d', l.id)),
      }));
      return [
        (s, t) => amps.reduce((sum, { led, share, probe }) => sum + share * lumensAt(led, probe(s, t)), 0),
        voltageProbe(plan, nodeOf.get(`${reservoir.id}.plus`)!, nodeOf.get(`${reservoir.id}.minus`)!),
      ];
    },
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
