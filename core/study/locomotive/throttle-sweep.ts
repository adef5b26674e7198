import { bulbLumens, bulbs } from '../../part/bulb';
import { lightness } from '../../light/lightness';
import { SHOWN } from '../../light/lamp-light';
import { shouldShine } from './expected';
import { everyday, type Vehicle } from './vehicle';
import { VehicleSolver } from './lit';

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
}

/**
 * Light of every lamp from full reverse to full forward on a DC track.
 * @returns null on another track, where the throttle does not matter
 * @throws CircuitError when the circuit cannot be solved
 */
export function throttleSweep(vehicle: Vehicle, solver = new VehicleSolver(vehicle)): ThrottleSweep | null {
  const { supply, job } = vehicle;
  if (supply.kind !== 'dc-track') return null;
  const throttles = Array.from({ length: SWEEP_POINTS }, (_, i) => (2 * i) / (SWEEP_POINTS - 1) - 1);
  const middle = (SWEEP_POINTS - 1) / 2;
  const state = everyday(vehicle);
  const reverse = solver.sweep(
    { ...state, direction: 'reverse' },
    throttles.slice(0, middle).map((t) => -t),
  );
  const forward = solver.sweep({ ...state, direction: 'forward' }, throttles.slice(middle));
  const points = [...reverse, ...forward];
  const lamps = (points[0]?.lamps ?? []).map((first, k): SweptLamp => {
    const lumens = points.map((p) => p.lamps[k].lumens);
    const most = Math.max(...lumens);
    const light = lumens.map((l) => (most > 0 ? lightness(l / most) : 0));
    const way = (direction: 'forward' | 'reverse'): boolean =>
      shouldShine(job, first.lampId, first.second, { ...state, direction });
    const directions = (['forward', 'reverse'] as const).filter(way);
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
      amps: points.map((p) => p.lamps[k].amps),
      showsAt: from(SHOWN.shows),
      goodAt: from(SHOWN.good),
      brightAt: from(SHOWN.bright),
    };
  });
  return { throttles, lamps, bulb: oldBulb(supply, throttles) };
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
