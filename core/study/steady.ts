import { elementId } from '../assembly/element-id';
import { GROUND } from '../circuit/netlist';
import { currentProbe, voltageProbe, type Probe } from '../circuit/probe';
import { periodicSteadyState } from '../circuit/steady';
import { worstFlicker, type FlickerComponent } from '../light/flicker';
import { lumensAt, type LedPart } from '../part/led';
import { tints } from '../part/tint';
import { tintedLight } from '../light/tinted';
import type { Part } from '../assembly/assembly';
import type { Spread } from '../circuit/average';
import type { Plan } from '../circuit/plan';
import type { Bench } from './bench';

/** One lamp in the periodic steady state. */
export interface LampReading {
  readonly part: string;
  readonly lampId: string;
  readonly number: number;
  readonly led: LedPart;
  readonly amps: Spread;
  readonly volts: Spread;
  /** Mean of the light behind its tint, in lumens: light follows the current at every moment, and is averaged after. */
  readonly lumens: number;
  /** Chromaticity behind its tint, CIE 1931. */
  readonly xy: { readonly x: number; readonly y: number };
  readonly flicker: FlickerComponent | null;
}

/** What flows and shines when the supply has been on for long. Means are over one period of the supply. */
export interface SteadyStudy {
  readonly lamps: readonly LampReading[];
  /** Voltage over the reservoir, plus against minus as marked; null without one. */
  readonly reservoirVolts: Spread | null;
  /** What the supply delivers, without sign; and its true RMS. */
  readonly supplyAmps: Spread;
  readonly supplyRmsAmps: number;
  /** Voltage between the supply's two sides at the vehicle, without sign. */
  readonly railVolts: Spread;
  /** Voltage from the roof's plus line to its return, where the lamps hang. */
  readonly roofVolts: Spread | null;
  /** What bridge or diode takes, at the moment when most is before it; null without one. */
  readonly bridgeVolts: Spread | null;
  /** Current and heat of each resistor, by part. */
  readonly resistors: ReadonlyMap<string, { readonly amps: Spread; readonly watts: number }>;
  /** Current, heat and voltage from end to end of each limiter and regulator, by part. */
  readonly holders: ReadonlyMap<
    string,
    { readonly amps: Spread; readonly watts: number; readonly across: Spread }
  >;
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
  const bridge = live.find((p) => p.kind === 'bridge' || (p.kind === 'diode' && p.role === 'rectifier'));
  const holders = live.filter((p) => p.kind === 'limiter' || p.kind === 'regulator');
  const at = (part: string, terminal: string): string => lowered.nodeOf.get(`${part}.${terminal}`) ?? GROUND;
  const { plus: roofPlus, minus: roofMinus } = assembly.roof;
  const fed = lamps.some((l) => l.groupId !== null);
  const probesFor = (plan: Plan): Probe[] => {
    const supply = currentProbe(plan, 'r_supply');
    const rails = voltageProbe(plan, at('rails', 'right'), at('rails', 'left'));
    const roof = voltageProbe(
      plan,
      at(roofPlus.part, roofPlus.terminal),
      at(roofMinus.part, roofMinus.terminal),
    );
    const stored = reservoir ? voltageProbe(plan, at(reservoir.id, 'plus'), at(reservoir.id, 'minus')) : roof;
    const behind =
      bridge?.kind === 'bridge'
        ? voltageProbe(plan, at(bridge.id, 'plus'), at(bridge.id, 'minus'))
        : bridge
          ? voltageProbe(plan, at(bridge.id, 'cathode'), at('rails', 'left'))
          : rails;
    const list: Probe[] = [
      (s, t) => Math.abs(supply(s, t)),
      (s, t) => supply(s, t) ** 2,
      (s, t) => Math.abs(rails(s, t)),
      stored,
      roof,
      behind,
    ];
    for (const r of resistors) {
      const amps = currentProbe(plan, elementId('r', r.id));
      list.push(amps, (s, t) => amps(s, t) ** 2 * r.ohms);
    }
    for (const h of holders) {
      const amps = currentProbe(plan, elementId('x', h.id));
      const across = voltageProbe(plan, at(h.id, 'in'), at(h.id, 'out'));
      const own = h.kind === 'regulator' ? voltageProbe(plan, at(h.id, 'in'), at(h.id, 'common')) : null;
      const ownAmps = h.kind === 'regulator' ? h.quiescentAmps : 0;
      list.push(
        amps,
        across,
        (s, t) => amps(s, t) * across(s, t) + (own ? ownAmps * Math.max(0, own(s, t)) : 0),
      );
    }
    for (const lamp of lamps) {
      const amps = currentProbe(plan, elementId('d', lamp.id));
      const light = tintedLight(lamp.led.colour, tints[bench.job.lamps[lamp.lampId].tint]);
      list.push(
        amps,
        voltageProbe(plan, at(lamp.id, 'anode'), at(lamp.id, 'cathode')),
        (s, t) => light.share * lumensAt(lamp.led, amps(s, t)),
      );
    }
    return list;
  };
  const holdersAt = HEAD + 2 * resistors.length;
  const lampAt = holdersAt + 3 * holders.length;
  const states = lowered.netlist.elements.filter((e) => e.kind === 'capacitor').length;
  const light: (readonly [number, number])[][] = lamps.map(() => []);
  const same = guess && guess.length === states ? guess : undefined;
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
  const colourOf = (lamp: Part & { kind: 'lamp' }): { x: number; y: number } =>
    tintedLight(lamp.led.colour, tints[bench.job.lamps[lamp.lampId].tint]);
  return {
    supplyAmps: spreads[0],
    supplyRmsAmps: Math.sqrt(Math.max(0, spreads[1].mean)),
    railVolts: spreads[2],
    reservoirVolts: reservoir ? spreads[3] : null,
    roofVolts: reservoir || fed ? spreads[4] : null,
    bridgeVolts: bridge ? lost(bridge, spreads[2], spreads[5], reservoir !== undefined) : null,
    resistors: new Map(
      resistors.map((r, i) => [r.id, { amps: spreads[HEAD + 2 * i], watts: spreads[HEAD + 1 + 2 * i].mean }]),
    ),
    holders: new Map(
      holders.map((h, i) => {
        const [amps, across, watts] = spreads.slice(holdersAt + 3 * i);
        return [h.id, { amps, across, watts: watts.mean }];
      }),
    ),
    lamps: lamps.map((lamp, i) => ({
      part: lamp.id,
      lampId: lamp.lampId,
      number: lamp.number,
      led: lamp.led,
      xy: colourOf(lamp),
      amps: spreads[lampAt + 3 * i] ?? noSpread,
      volts: spreads[lampAt + 3 * i + 1] ?? noSpread,
      lumens: spreads[lampAt + 3 * i + 2]?.mean ?? 0,
      flicker: light[i].length > 1 ? worstFlicker(light[i]) : null,
    })),
    period,
    stored,
  };
}

/** Probes before those of the resistors. */
const HEAD = 6;

/** What a rectifier takes: of the peak where a reservoir is charged at the peaks, else on the mean. */
function lost(bridge: Part, rails: Spread, behind: Spread, smoothed: boolean): Spread {
  const volts =
    smoothed || bridge.kind === 'diode' ? rails.greatest - behind.greatest : rails.mean - behind.mean;
  return { mean: volts, least: volts, greatest: volts };
}
