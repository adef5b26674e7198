import { elementId } from '../assembly/lower';
import { currentProbe, voltageProbe, type Probe } from '../circuit/probe';
import { periodicSteadyState } from '../circuit/steady';
import { worstFlicker, type FlickerComponent } from '../light/flicker';
import { leds, lumensAt } from '../part/led';
import type { Part } from '../assembly/assembly';
import type { Spread } from '../circuit/average';
import type { Plan } from '../circuit/plan';
import type { Bench } from './bench';

/** One lamp in the periodic steady state. */
export interface LampReading {
  readonly part: string;
  readonly lampId: string;
  readonly number: number;
  readonly amps: Spread;
  readonly volts: Spread;
  /** Mean of the light, in lumens: light follows the current at every moment, and is averaged after. */
  readonly lumens: number;
  readonly flicker: FlickerComponent | null;
}

/** What flows and shines when the supply has been on for long. Means are over one period of the supply. */
export interface SteadyStudy {
  readonly lamps: readonly LampReading[];
  /** Voltage over the reservoir, plus against minus as marked; null without one. */
  readonly reservoirVolts: Spread | null;
  /** What the booster delivers, without sign. */
  readonly supplyAmps: Spread;
  /** Voltage between the two rails at the pickups, without sign. */
  readonly railVolts: Spread;
  /** Voltage from the roof's plus line to its return, where the lamps hang. */
  readonly roofVolts: Spread | null;
  /** What the bridge takes: rails less what stands behind it; null without one. */
  readonly bridgeVolts: Spread | null;
  /** Current and heat of each resistor, by part. */
  readonly resistors: ReadonlyMap<string, { readonly amps: Spread; readonly watts: number }>;
  readonly period: number;
  /** Charges at the start of the period, for runs that begin here. */
  readonly stored: Float64Array;
}

const noSpread: Spread = { mean: 0, least: 0, greatest: 0 };

/**
 * The periodic steady state of a job.
 * @param guess stored charges to start from, as from the study before an edit
 * @throws CircuitError when it cannot be solved
 */
export function steadyStudy(bench: Bench, guess?: ArrayLike<number>): SteadyStudy {
  const { assembly, lowered } = bench;
  const live = assembly.parts.filter((p) => !lowered.leftOut.includes(p.id));
  const lamps = live.filter((p): p is Part & { kind: 'lamp' } => p.kind === 'lamp');
  const resistors = live.filter((p) => p.kind === 'resistor');
  const reservoir = live.find((p) => p.kind === 'electrolytic');
  const bridge = live.find((p) => p.kind === 'bridge');
  const at = (part: string, terminal: string): string => lowered.nodeOf.get(`${part}.${terminal}`)!;
  const fed = lamps.find((l) => l.groupId !== null);

  const probesFor = (plan: Plan): Probe[] => {
    const supply = currentProbe(plan, 'v_booster');
    const rails = voltageProbe(plan, at('rails', 'right'), at('rails', 'left'));
    const list: Probe[] = [(s, t) => Math.abs(supply(s, t)), (s, t) => Math.abs(rails(s, t))];
    const [plus, minus] = reservoir
      ? [at(reservoir.id, 'plus'), at(reservoir.id, 'minus')]
      : fed
        ? [roofPlus(bench), at(fed.id, 'cathode')]
        : ['0', '0'];
    list.push(voltageProbe(plan, plus, minus));
    const behind = bridge ? voltageProbe(plan, at(bridge.id, 'plus'), at(bridge.id, 'minus')) : null;
    list.push((s, t) => (behind ? Math.abs(rails(s, t)) - behind(s, t) : 0));
    for (const r of resistors) {
      const amps = currentProbe(plan, elementId('r', r.id));
      list.push(amps, (s, t) => amps(s, t) ** 2 * r.ohms);
    }
    for (const lamp of lamps) {
      const led = leds[lamp.led];
      const amps = currentProbe(plan, elementId('d', lamp.id));
      list.push(amps, voltageProbe(plan, at(lamp.id, 'anode'), at(lamp.id, 'cathode')), (s, t) =>
        lumensAt(led, amps(s, t)),
      );
    }
    return list;
  };

  const lampAt = 4 + 2 * resistors.length;
  const light: (readonly [number, number])[][] = lamps.map(() => []);
  const same = guess && guess.length === (reservoir ? 1 : 0) ? guess : undefined;
  const solution = periodicSteadyState(lowered.netlist, probesFor, {
    guess: same,
    onStep(step) {
      for (let i = 0; i < lamps.length; i++) {
        const p = lampAt + 3 * i + 2;
        if (light[i].length === 0) light[i].push([step.from, step.before[p]]);
        if (step.middle < step.to) light[i].push([step.middle, step.within[p]]);
        light[i].push([step.to, step.after[p]]);
      }
    },
  });
  const { spreads, period, stored } = solution;
  return {
    supplyAmps: spreads[0],
    railVolts: spreads[1],
    reservoirVolts: reservoir ? spreads[2] : null,
    roofVolts: reservoir || fed ? spreads[2] : null,
    bridgeVolts: bridge ? spreads[3] : null,
    resistors: new Map(
      resistors.map((r, i) => [r.id, { amps: spreads[4 + 2 * i], watts: spreads[5 + 2 * i].mean }]),
    ),
    lamps: lamps.map((lamp, i) => ({
      part: lamp.id,
      lampId: lamp.lampId,
      number: lamp.number,
      amps: spreads[lampAt + 3 * i] ?? noSpread,
      volts: spreads[lampAt + 3 * i + 1] ?? noSpread,
      lumens: spreads[lampAt + 3 * i + 2]?.mean ?? 0,
      flicker: light[i].length > 1 ? worstFlicker(light[i]) : null,
    })),
    period,
    stored,
  };
}

/** The node of the line the lamps' feeds hang on. */
export function roofPlus(bench: Bench): string {
  const { lowered, assembly } = bench;
  const first = ['charge.two', 'bridge.plus', 'rails.right'].find(
    (key) => assembly.parts.some((p) => p.id === key.split('.')[0]) && lowered.nodeOf.has(key),
  )!;
  return lowered.nodeOf.get(first)!;
}
