import { bulbLumens, bulbs } from '../part/bulb';
import { SHOWN } from '../light/lamp-light';
import { lightness } from '../light/lightness';
import { shouldShine } from './drive';
import { Solver } from './solver';
import { usualState } from './states';
import type { Direction } from '../supply/state';
import type { Bench } from './bench';
import type { DieReading, Readings } from './readings';

/** Mean current at which a small lamp is first seen to glow in a lit room (common practice, no source). */
const FIRST_GLOW_AMPS = 50e-6;

/** Of what takes long, one in so many points is solved. */
const COARSE_STEP = 10;

/** Points from full reverse to full forward. */
export const SWEEP_POINTS = 201;

/** One colour of a lamp over the throttle. */
export interface SweptLamp {
  readonly part: string;
  readonly lampId: string;
  readonly second: boolean;
  readonly xy: { readonly x: number; readonly y: number };
  /** At each throttle: lightness against its own greatest, 0 to 100. */
  readonly lightness: readonly number[];
  /** At each throttle, in amperes. */
  readonly amps: readonly number[];
  /** Least throttle at which it shows, is good, is bright, the way it should shine; null where it never is. */
  readonly showsAt: number | null;
  readonly goodAt: number | null;
  readonly brightAt: number | null;
}

export interface ThrottleSweep {
  /** Shares of full throttle, below zero in reverse. */
  readonly throttles: readonly number[];
  readonly lamps: readonly SweptLamp[];
  /** The old bulb straight on the rails, at each throttle: lightness against full throttle. */
  readonly bulb: readonly number[];
  /** Least throttle at which any lamp glows at all; null where none does. */
  readonly firstGlow: number | null;
}

/**
 * Light of every lamp from full reverse to full forward on a DC track.
 * @returns null on another track, where the throttle does not matter
 * @throws CircuitError when the circuit cannot be solved
 */
export function throttleSweep(bench: Bench, solver = new Solver(bench)): ThrottleSweep | null {
  const { supply, job } = bench;
  if (supply.kind !== 'dc-track') return null;
  const throttles = Array.from({ length: SWEEP_POINTS }, (_, i) => (2 * i) / (SWEEP_POINTS - 1) - 1);
  const state = usualState(bench);
  // What remembers, warms or wakes is solved at every tenth point, with straight lines between.
  const every = solver.sweepsFast ? 1 : COARSE_STEP;
  const own = throttles.filter((_, i) => i % every === 0);
  const turn = own.findIndex((t) => t >= 0);
  const solved = [
    ...solver.sweep(
      { ...state, direction: 'reverse' },
      own.slice(0, turn).map((t) => -t),
    ),
    ...solver.sweep({ ...state, direction: 'forward' }, own.slice(turn)),
  ];
  const points = throttles.map((_, i) => between(solved, i / every));
  const lamps = (points[0]?.dies ?? []).map((first, k): SweptLamp => {
    const lumens = points.map((p) => p.dies[k].lumens);
    const most = Math.max(...lumens);
    const light = lumens.map((l) => (most > 0 ? lightness(l / most) : 0));
    const means = (direction: Direction): boolean => {
      const there = { ...state, direction, throttle: 1 };
      return solver.phases(there).some((phase) => shouldShine(job, first.lampId, first.second, there, phase));
    };
    const directions = (['forward', 'reverse'] as const).filter(means);
    const from = (level: number): number | null => {
      const reached = throttles.filter(
        (t, i) => light[i] >= level && directions.includes(t >= 0 ? 'forward' : 'reverse'),
      );
      return most > 0 && reached.length > 0 ? Math.min(...reached.map(Math.abs)) : null;
    };
    return {
      part: first.part,
      lampId: first.lampId,
      second: first.second,
      xy: first.xy,
      lightness: light,
      amps: points.map((p) => p.dies[k].litAmps),
      showsAt: from(SHOWN.shows),
      goodAt: from(SHOWN.good),
      brightAt: from(SHOWN.bright),
    };
  });
  const glows = throttles.filter((_, i) => points[i].dies.some((d) => d.litAmps >= FIRST_GLOW_AMPS));
  return {
    throttles,
    lamps,
    bulb: oldBulb(supply, throttles),
    firstGlow: glows.length > 0 ? Math.min(...glows.map(Math.abs)) : null,
  };
}

/** The light and current of each colour between two solved throttles, on straight lines. */
function between(
  solved: readonly Pick<Readings, 'dies'>[],
  at: number,
): { readonly dies: readonly DieReading[] } {
  const i = Math.floor(at);
  const share = at - i;
  if (share === 0) return solved[i];
  const mix = (a: number, b: number): number => a + share * (b - a);
  return {
    dies: solved[i].dies.map((d, k) => {
      const next = solved[i + 1].dies[k];
      return { ...d, lumens: mix(d.lumens, next.lumens), litAmps: mix(d.litAmps, next.litAmps) };
    }),
  };
}

/** RMS volts of a pulse or an unsmoothed track rise with the throttle as the bulb feels them. */
function oldBulb(
  supply: { readonly making: string; readonly greatestVolts: number },
  throttles: readonly number[],
): number[] {
  const part = bulbs['bulb-12v'];
  const lumens = throttles.map((t) => {
    const share = supply.making === 'pulse-width' ? Math.sqrt(Math.abs(t)) : Math.abs(t);
    const half = supply.making === 'half-wave' ? Math.SQRT1_2 : 1;
    return bulbLumens(part, share * half * supply.greatestVolts);
  });
  const most = Math.max(...lumens);
  return lumens.map((l) => lightness(l / most));
}
