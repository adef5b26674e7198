import { lampType } from '../document/lamp-type';
import { cellTypes } from '../part/cell';
import { supplyKind } from '../supply';
import {
  cellShortcut,
  holdShortcut,
  inrushShortcut,
  resistorShortcut,
  stripLeftShortcut,
  stripShortcut,
  type Shortcut,
} from './shortcut';
import type { Bench } from './bench';
import type { SteadyStudy } from './steady';

/** The sum people do for a resistor, as it would go for this job. */
export interface SumByHand extends Shortcut {
  /** By the same sum, what the resistor that is fitted would drop and leave; null where the sum says nothing of it. */
  readonly left: { readonly dropVolts: number; readonly leftVolts: number } | null;
}

/** What a rectifier is said to take (common practice, no source). */
const SPOKEN_BRIDGE_VOLTS = 1.4;
/** Voltage a strip of three lamps in series is made for, in volts. */
const STRIP_VOLTS = 12;

/**
 * The sum by hand for a group's resistor: nameplate volts of lamp and rectifier off the supply, over
 * the current that flows; for a strip its current at full voltage, for the voltage it now gets.
 * @returns null for a group without resistor or current
 */
export function sumByHand(bench: Bench, steady: SteadyStudy, groupId: string): SumByHand | null {
  const { job, layout } = bench;
  const group = job.groups[groupId];
  const members = steady.lamps.filter((l) => job.lamps[l.lampId].groupId === groupId);
  const [first] = members;
  if (!first || !(first.amps.mean > 0) || group.drive === 'limiter' || group.drive === 'none') return null;
  const type = lampType(layout, job.lamps[first.lampId].part);
  const shared = group.drive === 'resistor-shared' ? members.length / group.inSeries : 1;
  if (type.form === 'strip' && type.inSeries === 3) {
    const atFull =
      (type.testAmps * members.length) / (group.drive === 'resistor-shared' ? 1 : members.length);
    const sum = stripShortcut(STRIP_VOLTS, Math.min(STRIP_VOLTS, first.volts.mean), atFull);
    return { ...sum, left: stripLeftShortcut(STRIP_VOLTS, group.ohms, atFull) };
  }
  const before =
    steady.railVolts.greatest - (job.conditioning.rectifier === 'none' ? 0 : SPOKEN_BRIDGE_VOLTS);
  const volts = bench.job.conditioning.regulator?.outVolts ?? before;
  const forward = type.forwardVolts * type.inSeries * group.inSeries;
  if (volts <= forward) return null;
  return { ...resistorShortcut(volts, forward, first.amps.mean * shared), left: null };
}

/** The hold time by hand: the reservoir from its volts down to those of the lamps, at the current drawn. */
export function holdByHand(bench: Bench, steady: SteadyStudy): Shortcut | null {
  const { reservoir } = bench.job.conditioning;
  if (!reservoir || !steady.reservoirVolts || !(steady.supplyAmps.mean > 0)) return null;
  const lowest = Math.max(0, ...steady.lamps.map((l) => l.volts.mean));
  return holdShortcut(reservoir.farads, steady.reservoirVolts.mean, lowest, steady.supplyAmps.mean);
}

/** The inrush by hand: the supply's highest volts over its own and the charge resistance. */
export function inrushByHand(bench: Bench): Shortcut {
  const kind = supplyKind(bench.supply);
  const ohms = kind.sourceOhms(bench.supply) + (bench.job.conditioning.chargeResistor?.ohms ?? 0);
  return inrushShortcut(kind.highestVolts(bench.supply), ohms);
}

/** The life of a cell by hand; null for a job on none, or one that draws nothing. */
export function cellLifeByHand(bench: Bench, steady: SteadyStudy): Shortcut | null {
  const { supply } = bench;
  if (supply.kind !== 'cell' || !(steady.supplyAmps.mean > 0)) return null;
  return cellShortcut(cellTypes[supply.cell].milliampHours, steady.supplyAmps.mean);
}
