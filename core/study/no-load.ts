import { lower } from '../assembly/lower';
import { shines } from '../assembly/assembly';
import { voltageProbe } from '../circuit/probe';
import { joinedCapacitors } from '../circuit/side-by-side';
import { periodicSteadyState } from '../circuit/steady';
import { supplyKind } from '../supply';
import { controlsIn } from './drive';
import { reservoirsOf } from './line-readings';
import { sourceOfLine } from './sources';
import { usualState } from './states';
import type { Bench } from './bench';
import type { Spread } from '../circuit/average';

/** The highest voltage a reservoir can see. */
export interface NoLoad {
  readonly part: string;
  /** The highest the supply can give, peak. */
  readonly supplyVolts: number;
  /** Over the reservoir with every lamp out, in volts, plus against minus as marked: the worst of both directions. */
  readonly volts: Spread;
}

/**
 * What each reservoir sees with the supply at its highest, a pulse too, and every lamp out (dead, or
 * not yet fitted), whichever way it runs.
 * @throws CircuitError when it cannot be solved
 */
export function noLoadStudy(bench: Bench): NoLoad[] {
  const { assembly, supply } = bench;
  const reservoirs = reservoirsOf(bench);
  if (reservoirs.length === 0) return [];
  const lamps = new Set(assembly.parts.filter(shines).map((p) => p.id));
  const bare = {
    ...assembly,
    parts: assembly.parts.filter((p) => !lamps.has(p.id)),
    // A lamp that is out still passes its neighbours' return on: the wire stays, the lamp goes.
    leads: assembly.leads.filter((l) => !lamps.has(l.from.part) && !lamps.has(l.to.part)),
  };
  const kind = supplyKind(supply);
  const turns = kind.inputs(supply).some((i) => i.id === 'direction');
  const highestVolts = (lineId: string | null): number => {
    const source = sourceOfLine(bench, lineId);
    return supplyKind(source.supply).highestVolts(source.supply);
  };
  const worst = new Map<string, NoLoad>();
  for (const direction of turns ? (['forward', 'reverse'] as const) : (['forward'] as const)) {
    const controls = controlsIn({ ...usualState(bench), direction });
    const { netlist, nodeOf, leftOut } = lower(bare, supply, { controls, stress: 'pulse' });
    const seen = reservoirs.filter((r) => !leftOut.includes(r.id));
    const { spreads } = periodicSteadyState(joinedCapacitors(netlist), (plan) =>
      seen.map((r) => voltageProbe(plan, nodeOf.get(`${r.id}.plus`)!, nodeOf.get(`${r.id}.minus`)!)),
    );
    seen.forEach((r, i) => {
      const before = worst.get(r.id)?.volts;
      if (!before || extreme(spreads[i]) > extreme(before))
        worst.set(r.id, { part: r.id, supplyVolts: highestVolts(r.line), volts: spreads[i] });
    });
  }
  return [...worst.values()];
}

/** The most that stands across it, whichever way. */
export const extreme = ({ greatest, least }: Spread): number => Math.max(Math.abs(greatest), Math.abs(least));
