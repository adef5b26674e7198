import { besideElement } from '../assembly/beside-elements';
import { dieElement, dieNodes } from '../assembly/lamp-elements';
import { elementId } from '../assembly/element-id';
import { outputElement } from '../assembly/decoder-elements';
import { holdElement } from '../assembly/driver-elements';
import { shines, terminalKey, type Part, type ShiningPart } from '../assembly/assembly';
import { GROUND } from '../circuit/netlist';
import { currentProbe, voltageProbe, type Probe } from '../circuit/probe';
import { shinesOf } from '../kinds/shines';
import { bulbLumens } from '../part/bulb';
import { lumensAt, type LedPart } from '../part/led';
import { pinsOf } from '../supply/drivers/driver-kind';
import { tints } from '../part/tint';
import { tintedLight } from '../light/tinted';
import { worstFlicker } from '../light/flicker';
import type { Lowered } from '../assembly/lower';
import type { Spread } from '../circuit/average';
import type { Plan } from '../circuit/plan';
import { sourcesOf, type Source } from './sources';
import type { Bench } from './bench';
import type { DieReading, PartReading, Readings } from './readings';

/** One colour of a lamp, or a bulb, and where its figures stand. */
interface Die {
  readonly part: ShiningPart;
  readonly second: boolean;
  readonly led: LedPart | null;
  readonly share: number;
  readonly xy: { readonly x: number; readonly y: number };
  at: number;
}

/** An output, the element that conducts while it does, and the one that holds it while it is off. */
interface MeteredOutput {
  readonly id: string;
  readonly element: string;
  readonly held: string | null;
}

/** Figures of the supply before those of the parts. */
const HEAD = 3;
/** Figures of each supply beside it. */
const PER_SOURCE = 2;
/** Figures of each measured part. */
const PER_PART = 3;

type Measured = Extract<
  Part,
  { kind: 'resistor' | 'fuse' | 'limiter' | 'socket' | 'regulator' | 'electrolytic' | 'bridge' | 'diode' }
>;
const measures = (part: Part): part is Measured =>
  ['resistor', 'fuse', 'limiter', 'socket', 'regulator', 'electrolytic', 'bridge', 'diode'].includes(
    part.kind,
  );

/** The probes on a laid-out job, and what their figures mean. */
export class Meter {
  readonly dies: readonly Die[];
  readonly parts: readonly Measured[];
  readonly outputs: readonly MeteredOutput[];
  private readonly beside: readonly Source[];
  private readonly live: readonly Part[];

  constructor(
    private readonly bench: Bench,
    private readonly lowered: Lowered,
  ) {
    const { job, assembly } = bench;
    this.beside = sourcesOf(bench).filter((s) => s.beside);
    const out = new Set(lowered.leftOut);
    this.live = assembly.parts.filter((p) => !out.has(p.id));
    this.parts = this.live.filter(measures);
    this.dies = this.live.filter(shines).flatMap((part): Die[] => {
      const tint = tints[job.lamps[part.lamp!].tint];
      const die = (led: LedPart | null, second: boolean): Die => {
        const colour = part.kind === 'bulb' ? { kelvin: part.bulb.kelvin } : led!.colour;
        const { share, x, y } = tintedLight(colour, tint);
        return { part, second, led, share, xy: { x, y }, at: 0 };
      };
      if (part.kind === 'bulb') return [die(null, false)];
      return part.second ? [die(part.led, false), die(part.second, true)] : [die(part.led, false)];
    });
    const driver = this.live.find((p) => p.kind === 'decoder' || p.kind === 'driver');
    // One that is out of its socket has none.
    const built = new Set(lowered.netlist.elements.map((e) => e.id));
    const ifBuilt = (id: string): string | null => (built.has(id) ? id : null);
    const switched = driver?.kind === 'driver' ? pinsOf(driver) : (driver?.outputs ?? []);
    this.outputs = switched.flatMap(({ id }) => {
      const element = ifBuilt(outputElement(driver!.id, id));
      return element === null ? [] : [{ id, element, held: ifBuilt(holdElement(id)) }];
    });
  }

  /** Index of the figure of the light of each die, for what follows it over time. */
  get lightAt(): readonly number[] {
    return this.dies.map((d) => d.at + 3);
  }

  probes(plan: Plan): Probe[] {
    const at = (part: string, terminal: string): string =>
      this.lowered.nodeOf.get(terminalKey({ part, terminal })) ?? GROUND;
    const between = (part: string, plus: string, minus: string): Probe =>
      voltageProbe(plan, at(part, plus), at(part, minus));
    // Rails that nothing feeds deliver nothing.
    const supply: Probe = plan.netlist.elements.some((e) => e.id === 'r_supply')
      ? currentProbe(plan, 'r_supply')
      : () => 0;
    const rails = between('rails', 'right', 'left');
    const list: Probe[] = [
      (s, t) => Math.abs(supply(s, t)),
      (s, t) => supply(s, t) ** 2,
      (s, t) => Math.abs(rails(s, t)),
    ];
    for (const { part } of this.beside)
      list.push(currentProbe(plan, besideElement(part)), between(part, 'right', 'left'));
    for (const end of this.bench.assembly.lines)
      list.push(
        voltageProbe(plan, at(end.plus.part, end.plus.terminal), at(end.minus.part, end.minus.terminal)),
      );
    for (const part of this.parts) list.push(...this.partProbes(plan, part, between));
    for (const { element } of this.outputs) list.push(currentProbe(plan, element));
    for (const die of this.dies) {
      die.at = list.length;
      list.push(...this.dieProbes(plan, die, at));
    }
    return list;
  }

  /** Light of all lamps together, or of some, in lumens, a filament's by what it carries at the moment. */
  totalLight(plan: Plan, isMeant: (lampId: string) => boolean = () => true): Probe {
    const meant = this.dies.filter(({ part }) => isMeant(part.lamp!));
    const own = meant.map(({ part, second, led, share }): Probe => {
      const amps = currentProbe(plan, dieElement(part, second ? 1 : 0));
      if (part.kind === 'bulb') {
        const { bulb } = part;
        return (s, t) => share * bulbLumens(bulb, (Math.abs(amps(s, t)) / bulb.amps) * bulb.volts);
      }
      return (s, t) => share * lumensAt(led!, amps(s, t));
    });
    return (s, t) => own.reduce((sum, light) => sum + light(s, t), 0);
  }

  private partProbes(
    plan: Plan,
    part: Measured,
    between: (part: string, plus: string, minus: string) => Probe,
  ): [Probe, Probe, Probe] {
    const none: Probe = () => 0;
    switch (part.kind) {
      case 'resistor': {
        const { ohms } = part;
        const amps = currentProbe(plan, elementId('r', part.id));
        return [amps, (s, t) => amps(s, t) * ohms, (s, t) => amps(s, t) ** 2 * ohms];
      }
      case 'fuse': {
        const amps = currentProbe(plan, elementId('r', part.id));
        const across = between(part.id, 'one', 'two');
        return [amps, across, (s, t) => amps(s, t) * across(s, t)];
      }
      case 'limiter': {
        const amps = currentProbe(plan, elementId('x', part.id));
        const across = between(part.id, 'in', 'out');
        return [amps, across, (s, t) => amps(s, t) * across(s, t)];
      }
      // Its heat is the transistor's: the resistor before it is judged by its current.
      case 'socket': {
        const amps = currentProbe(plan, elementId('q', part.id));
        const across = between(part.id, 'out', 'minus');
        return [amps, across, (s, t) => amps(s, t) * (across(s, t) - amps(s, t) * part.seriesOhms)];
      }
      case 'regulator': {
        const amps = currentProbe(plan, elementId('x', part.id));
        const across = between(part.id, 'in', 'out');
        const whole = between(part.id, 'in', 'common');
        const own = part.quiescentAmps;
        return [amps, across, (s, t) => amps(s, t) * across(s, t) + own * Math.max(0, whole(s, t))];
      }
      case 'electrolytic':
        return [none, between(part.id, 'plus', 'minus'), none];
      // What stands behind it, for what it takes of the rails.
      case 'bridge':
        return [none, between(part.id, 'plus', 'minus'), none];
      case 'diode': {
        const node = this.lowered.nodeOf.get(`${part.id}.cathode`) ?? GROUND;
        const left = this.lowered.nodeOf.get('rails.left') ?? GROUND;
        return [none, voltageProbe(plan, node, left), none];
      }
    }
  }

  private dieProbes(
    plan: Plan,
    { part, second, led, share }: Die,
    at: (part: string, terminal: string) => string,
  ): [Probe, Probe, Probe, Probe] {
    const die = second ? 1 : 0;
    const amps = currentProbe(plan, dieElement(part, die));
    const node = (terminal: string): string => at(part.id, terminal);
    if (part.kind === 'bulb') {
      const volts = voltageProbe(plan, node('one'), node('two'));
      // A filament is too slow to follow: its light comes of the squares.
      return [amps, volts, (s, t) => amps(s, t) ** 2, (s, t) => volts(s, t) ** 2];
    }
    const outer = second ? [node('cathode'), node('anode')] : [node('anode'), node('cathode')];
    const volts = voltageProbe(plan, outer[0], outer[1]);
    const own = dieNodes(part, die, node);
    const inside = own[0] === outer[0] && own[1] === outer[1] ? volts : voltageProbe(plan, own[0], own[1]);
    return [amps, volts, inside, (s, t) => share * lumensAt(led!, amps(s, t))];
  }

  /**
   * What the figures of a period mean.
   * @param figure each of the probes’ figures, by its place
   * @param light figures of the light of each die over one period, where flicker is asked
   */
  read(
    figure: (i: number) => Spread,
    rest: Pick<Readings, 'period' | 'stored'>,
    light: readonly (readonly (readonly [number, number])[])[] | null,
  ): Readings {
    const { bench, parts, outputs } = this;
    const lines = new Map<string, Spread>();
    const linesAt = HEAD + PER_SOURCE * this.beside.length;
    bench.assembly.lines.forEach((end, i) => {
      if (!lines.has(end.line)) lines.set(end.line, figure(linesAt + i));
    });
    const partsAt = linesAt + bench.assembly.lines.length;
    const outputsAt = partsAt + PER_PART * parts.length;
    return {
      ...rest,
      supplyAmps: figure(0),
      supplyRmsAmps: Math.sqrt(Math.max(0, figure(1).mean)),
      railVolts: figure(2),
      beside: new Map(
        this.beside.map(({ part }, i) => {
          const at = HEAD + PER_SOURCE * i;
          return [part, { amps: figure(at), volts: figure(at + 1) }];
        }),
      ),
      lines,
      parts: new Map(
        parts.map((part, i): [string, PartReading] => {
          const at = partsAt + PER_PART * i;
          return [part.id, { amps: figure(at), across: figure(at + 1), watts: figure(at + 2).mean }];
        }),
      ),
      outputAmps: new Map(outputs.map(({ id }, i) => [id, Math.max(0, figure(outputsAt + i).greatest)])),
      dies: this.readDies(figure, light),
    };
  }

  /** What the figures of a period mean for each colour of each lamp alone. */
  readDies(
    figure: (i: number) => Spread,
    light: readonly (readonly (readonly [number, number])[])[] | null,
  ): DieReading[] {
    const { job } = this.bench;
    const view = shinesOf(job.kind);
    return this.dies.map((die, i): DieReading => {
      const { part, second, led, share, xy, at } = die;
      const [amps, volts, third, fourth] = [figure(at), figure(at + 1), figure(at + 2), figure(at + 3)];
      const bulb = part.kind === 'bulb' ? part.bulb : null;
      const lumens = bulb ? share * bulbLumens(bulb, Math.sqrt(fourth.mean)) : fourth.mean;
      const litAmps = bulb
        ? Math.sqrt(third.mean)
        : share > 0
          ? (fourth.mean * led!.testAmps) / (share * led!.lumens)
          : Math.max(0, amps.mean);
      const samples = light?.[i];
      return {
        part: part.id,
        lampId: part.lamp!,
        number: part.number,
        circuitId: part.circuit,
        second,
        led,
        amps,
        litAmps,
        volts,
        reverseVolts: bulb ? 0 : Math.max(0, -third.least),
        lumens,
        lightness: view.lightness(job, { lampId: part.lamp!, led, litAmps, lumens }),
        xy,
        flicker: samples && samples.length > 1 ? worstFlicker(samples) : null,
      };
    });
  }
}

/** Luminous flux of all lamps together, in lumens. */
export const totalLumens = ({ dies }: Pick<Readings, 'dies'>): number =>
  dies.reduce((sum, d) => sum + d.lumens, 0);
