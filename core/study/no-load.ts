import { voltageProbe } from '../circuit/probe';
import { periodicSteadyState } from '../circuit/steady';
import { lower } from '../assembly/lower';
import { supplyKind } from '../supply';
import type { Spread } from '../circuit/average';
import type { Bench } from './bench';

/** The highest voltage the reservoir can see. */
export interface NoLoadStudy {
  /** The highest the supply can give, peak. */
  readonly supplyVolts: number;
  /** Over the reservoir with every lamp out, in volts. */
  readonly volts: Spread;
}

/**
 * What the reservoir sees with the supply at its highest and every lamp out (dead, or not yet fitted).
 * @returns null without a reservoir
 */
export function noLoadStudy(bench: Bench): NoLoadStudy | null {
  const { assembly, supply, lowered } = bench;
  const reservoir = assembly.parts.find((p) => p.kind === 'electrolytic');
  if (!reservoir || lowered.leftOut.includes(reservoir.id)) return null;
  const lamps = new Set(assembly.parts.filter((p) => p.kind === 'lamp').map((p) => p.id));
  const bare = {
    ...assembly,
    parts: assembly.parts.filter((p) => !lamps.has(p.id)),
    // A lamp that is out still passes its neighbours' return on: the wire stays, the lamp goes.
    leads: assembly.leads.filter((l) => !lamps.has(l.from.part) && !lamps.has(l.to.part)),
  };
  const supplyVolts = supplyKind(supply).highestVolts(supply);
  const { netlist, nodeOf } = lower(bare, supply, { controls: bench.controls, atHighest: true });
  const plus = nodeOf.get(`${reservoir.id}.plus`);
  const minus = nodeOf.get(`${reservoir.id}.minus`);
  if (plus === undefined || minus === undefined) return null;
  const { spreads } = periodicSteadyState(netlist, (plan) => [voltageProbe(plan, plus, minus)]);
  return { supplyVolts, volts: spreads[0] };
}
