import { cellTypes, chargeShare } from '../part/cell';
import { totalLumens } from './meter';
import { usualReadings } from './solver';
import { deliveredBy, lampsOn, sourcesOf, withSource, type Source } from './sources';
import type { Bench } from './bench';

/** Light and current while a cell empties. Time zero is the cell as it is now. */
export interface CellLifeStudy {
  /** The cell it is about. */
  readonly source: Source;
  readonly hours: readonly number[];
  /** Light over that of a fresh cell. */
  readonly light: readonly number[];
  readonly amps: readonly number[];
  /** Share of the cell's charge that is out. */
  readonly spent: readonly number[];
  /** Hours until the light has fallen to half, to a tenth and to a hundredth of a fresh cell's; null when it does not before the cell is empty. */
  readonly moments: readonly (number | null)[];
  /** Hours until it is dark, or the whole charge is out if that comes first. */
  readonly lastHours: number;
}

const STEPS = 60;
const DARK_SHARE = 0.01;
/** Shares of a fresh cell's light at which a word is said of it. */
export const lifeShares = [0.5, 0.1, 0.01] as const;

/** The cells that lamps of a job hang on, each a source of its own. */
export const cellsOf = (bench: Bench): Source[] => sourcesOf(bench).filter((s) => s.supply.kind === 'cell');

/**
 * Follows a cell down its course: at each step of charge the steady current is solved, and the time
 * the step takes is charge over current, of which a cell gives the less the more is drawn. Of several cells it is the first.
 * @returns null when the job hangs on no cell, or draws nothing of it
 */
export function cellLifeStudy(bench: Bench): CellLifeStudy | null {
  const [source] = cellsOf(bench) as (Source | undefined)[];
  return source ? lifeOf(bench, source) : null;
}

function lifeOf(bench: Bench, source: Source): CellLifeStudy | null {
  const { supply } = source;
  if (supply.kind !== 'cell') return null;
  const lamps = lampsOn(bench, source);
  const type = cellTypes[supply.cell];
  const coulombs = type.milliampHours * 3.6;
  const at = (spent: number): { lumens: number; amps: number } => {
    const readings = usualReadings(withSource(bench, source, { ...supply, spent }));
    const own = readings.dies.filter((d) => lamps.has(d.lampId));
    return { lumens: totalLumens({ dies: own }), amps: deliveredBy(readings, source).amps.mean };
  };
  const fresh = at(0);
  if (!(fresh.amps > 1e-9) || !(fresh.lumens > 0)) return null;
  const hours: number[] = [];
  const light: number[] = [];
  const amps: number[] = [];
  const spent: number[] = [];
  let time = 0;
  const step = (1 - supply.spent) / STEPS;
  for (let i = 0; i <= STEPS; i++) {
    const out = Math.min(1, supply.spent + i * step);
    const now = at(out);
    if (i > 0) {
      const mean = (amps[i - 1] + now.amps) / 2;
      time += mean > 1e-12 ? (step * coulombs * chargeShare(type, mean)) / mean / 3600 : Infinity;
      if (!Number.isFinite(time)) break;
    }
    hours.push(time);
    light.push(now.lumens / fresh.lumens);
    amps.push(now.amps);
    spent.push(out);
    // What is left in a cell that no longer lights anything takes months to leave it.
    if (now.lumens < DARK_SHARE * fresh.lumens) break;
  }
  const moments = lifeShares.map((s) => crossing(hours, light, s));
  return { source, hours, light, amps, spent, moments, lastHours: moments[2] ?? time };
}

function crossing(hours: readonly number[], light: readonly number[], share: number): number | null {
  const i = light.findIndex((l) => l <= share);
  if (i < 0) return null;
  if (i === 0) return 0;
  const part = (light[i - 1] - share) / (light[i - 1] - light[i]);
  return hours[i - 1] + part * (hours[i] - hours[i - 1]);
}
