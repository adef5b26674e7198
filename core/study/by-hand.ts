import { cellTypes } from '../part/cell';
import { driverOf } from '../document/aspect-record';
import { driverKind } from '../supply/drivers';
import { litVolts } from '../supply/drivers/driver-kind';
import { lampType } from '../document/lamp-type';
import { stageBefore } from '../document/line-stages';
import { supplyKind } from '../supply';
import { cellsOf } from './cell-life';
import { deliveredBy, sourceOfLine } from './sources';
import { reservoirsOf, reservoirVolts } from './line-readings';
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
import type { Readings } from './readings';

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
 * the current that flows; for a strip its current at full voltage, for the voltage it is to get.
 * @param likedVolts what a strip was liked at; what it now gets where left out
 * @returns null for a group without resistor or current
 */
export function sumByHand(
  bench: Bench,
  readings: Readings,
  circuitId: string,
  likedVolts?: number,
): SumByHand | null {
  const { job, layout } = bench;
  const circuit = job.circuits[circuitId];
  const members = readings.dies.filter((d) => d.circuitId === circuitId && !d.second);
  const [first] = members;
  if (!first?.led || !(first.amps.mean > 0) || circuit.limit === 'limiter' || circuit.limit === 'none')
    return null;
  const type = lampType(layout, job.lamps[first.lampId].part);
  const shared = circuit.limit === 'shared' ? members.length / circuit.inSeries : 1;
  if (type.form === 'strip' && type.inSeries === 3) {
    const atFull = circuit.limit === 'shared' ? type.testAmps * members.length : type.testAmps;
    const sum = stripShortcut(STRIP_VOLTS, Math.min(STRIP_VOLTS, likedVolts ?? first.volts.mean), atFull);
    return { ...sum, left: stripLeftShortcut(STRIP_VOLTS, circuit.ohms, atFull) };
  }
  const rectified = (['bridge', 'diode'] as const).some((k) => stageBefore(job, circuitId, k) !== null);
  const source = sourceOfLine(bench, circuit.lineId);
  const given = source.beside
    ? supplyKind(source.supply).highestVolts(source.supply)
    : readings.railVolts.greatest;
  const driver = driverOf(job);
  const own = driver ? litVolts(driverKind(driver).build(driver)) : null;
  const before = Math.min(own ?? Infinity, given - (rectified ? SPOKEN_BRIDGE_VOLTS : 0));
  const volts = stageBefore(job, circuitId, 'regulator')?.outVolts ?? before;
  const inRow = Math.min(circuit.inSeries, members.length);
  const forward = type.forwardVolts * type.inSeries * inRow;
  if (volts <= forward) return null;
  const { builtIn } = job.lamps[first.lampId];
  const inside = type.builtInOhms + (builtIn.kind === 'resistor' ? builtIn.ohms : 0);
  // Strings side by side bring theirs side by side.
  return {
    ...resistorShortcut(volts, forward, first.amps.mean * shared, (inside * inRow) / shared),
    left: null,
  };
}

/** The hold time by hand: the reservoir from its volts down to those of the lamps, at the current drawn. */
export function holdByHand(bench: Bench, readings: Readings): Shortcut | null {
  const [reservoir] = reservoirsOf(bench);
  const stored = reservoirVolts(bench, readings);
  if (!reservoir || !stored || !(readings.supplyAmps.mean > 0)) return null;
  const lowest = Math.max(0, ...readings.dies.map((d) => d.volts.mean));
  return holdShortcut(reservoir.farads, stored.mean, lowest, readings.supplyAmps.mean);
}

/** The inrush by hand: the supply's highest volts over its own and the charge resistance. */
export function inrushByHand({ supply, assembly }: Bench): Shortcut {
  const kind = supplyKind(supply);
  const charge = assembly.parts.reduce(
    (sum, p) => (p.kind === 'resistor' && p.role === 'charge' ? sum + p.ohms : sum),
    0,
  );
  // A pulse that reverses is none of what charges.
  const highest =
    supply.kind === 'ac-track' ? supply.highestRmsVolts * Math.SQRT2 : kind.highestVolts(supply);
  return inrushShortcut(highest, kind.sourceOhms(supply) + charge);
}

/** The life of a cell by hand; null for a job on none, or one that draws nothing. */
export function cellLifeByHand(bench: Bench, readings: Readings): Shortcut | null {
  for (const source of cellsOf(bench)) {
    const { supply } = source;
    const amps = deliveredBy(readings, source).amps.mean;
    if (supply.kind === 'cell' && amps > 0)
      return cellShortcut(cellTypes[supply.cell].milliampHours, amps, supply.spent);
  }
  return null;
}
