import { checkStructure } from './structure';
import { compile } from './plan';
import { settle } from './operating-point';
import { System } from './system';
import type { Netlist } from './netlist';
import type { Probe } from './probe';
import type { Plan } from './plan';

/** One source taken through a range of values. */
export interface SweepRange {
  readonly source: string;
  readonly from: number;
  readonly to: number;
  readonly step: number;
}

/** The values a range runs through, both ends included where the step meets them. */
export function sweepValues(range: SweepRange): number[] {
  const count = Math.floor((range.to - range.from) / range.step + 1e-9);
  return Array.from({ length: count + 1 }, (_, i) => range.from + i * range.step);
}

/**
 * Operating points while a source (and, outside it, a second one) runs through its values.
 * Each point starts from the last.
 * @returns a row a point: the first source's value, then each probe's figure
 * @throws CircuitError when the structure is refused or a point cannot be solved
 */
export function sweep(
  netlist: Netlist,
  ranges: readonly SweepRange[],
  probesFor: (plan: Plan) => readonly Probe[],
): number[][] {
  checkStructure(netlist, false);
  const plan = compile(netlist);
  const probes = probesFor(plan);
  const system = new System(plan, true);
  const put = (source: string, level: number): void => {
    const v = plan.voltages.ids.indexOf(source);
    if (v >= 0) system.volts[v] = level;
    else system.amps[plan.currents.ids.indexOf(source)] = level;
  };
  system.setSources(0);
  const rows: number[][] = [];
  const outer = ranges.length > 1 ? sweepValues(ranges[1]) : [NaN];
  let warm = false;
  for (const second of outer) {
    if (ranges.length > 1) put(ranges[1].source, second);
    for (const first of sweepValues(ranges[0])) {
      put(ranges[0].source, first);
      settle(system, 0, warm);
      warm = true;
      rows.push([first, ...probes.map((p) => p(system, 0))]);
    }
  }
  return rows;
}

/** Operating point with the sources at their value at time zero: each probe's figure. */
export function operatingPoint(netlist: Netlist, probesFor: (plan: Plan) => readonly Probe[]): number[] {
  checkStructure(netlist, false);
  const plan = compile(netlist);
  const probes = probesFor(plan);
  const system = new System(plan, true);
  system.setSources(0);
  settle(system, 0, false);
  return probes.map((p) => p(system, 0));
}
