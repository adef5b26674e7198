import { diesOf } from '../../assembly/locomotive';
import { namedFailure } from '../../assembly/named-failure';
import { elementId } from '../../assembly/element-id';
import { OUTPUT_OFF_OHMS } from '../../assembly/decoder-elements';
import { GROUND } from '../../circuit/netlist';
import { levelsOf, type Level } from '../../circuit/levels';
import { currentProbe, voltageProbe, type Probe } from '../../circuit/probe';
import { characteristic } from '../../circuit/characteristic';
import { StateSolver } from '../../circuit/state-solver';
import { periodicSteadyState } from '../../circuit/steady';
import { filamentOhms, type BulbPart } from '../../part/bulb';
import { decoderTypes } from '../../part/decoder-type';
import { outputsOn } from '../../supply/decoder-output';
import { supplyKind } from '../../supply';
import { lightnessAhead, lumensOf, opticsOf, type LampOptics, type ShiningPart } from './lamp-optics';
import { Sums } from './sums';
import { behindBridges, folded } from './symmetry';
import { lowerVehicle, type Vehicle, type VehicleState } from './vehicle';
import type { LedPart } from '../../part/led';
import type { Part } from '../../assembly/assembly';
import type { Lowered } from '../../assembly/lower';
import type { Plan } from '../../circuit/plan';

/** One colour of a lamp, or a bulb, in a state. */
export interface LampLight {
  readonly part: string;
  readonly lampId: string;
  /** It is the other colour of a two-colour lamp. */
  readonly second: boolean;
  /** Null for a bulb. */
  readonly led: LedPart | null;
  /** Mean and greatest current; of a bulb the true RMS as mean. */
  readonly amps: number;
  readonly peakAmps: number;
  /** The most that stands across it backwards; 0 for a bulb. */
  readonly reverseVolts: number;
  /** Mean of its light behind its tint. */
  readonly lumens: number;
  /** To the eye ahead of it, 0 to 100; above 100 for more than full. */
  readonly lightness: number;
  readonly xy: { readonly x: number; readonly y: number };
}

/** A vehicle in one state. Means are over the period of the track and of the outputs' own switching. */
export interface LitState {
  readonly lamps: readonly LampLight[];
  /** Heat of each resistor, by part, in watts. */
  readonly resistorWatts: ReadonlyMap<string, number>;
  /** What flows in each output while it conducts: what its limit is about. */
  readonly outputAmps: ReadonlyMap<string, number>;
  /** Mean of what the track delivers, without sign. */
  readonly supplyAmps: number;
}

interface Filament {
  readonly element: string;
  readonly bulb: BulbPart;
  ohms: number;
}

/** Turns of the search for the warmth of the filaments, and how near they must come. */
const FILAMENT_TURNS = 60;
const FILAMENT_SHARE = 1e-7;
/** Below this throttle the controller gives nothing. */
const LEAST_THROTTLE = 0.005;

/**
 * Solves a vehicle for one state after another. In a circuit without reservoirs every mean over the
 * track's period is a sum of operating points; with one it is the periodic steady state.
 */
export class VehicleSolver {
  private readonly ways = new Map<'forward' | 'reverse', Way>();

  constructor(readonly vehicle: Vehicle) {}

  /** @throws CircuitError when the circuit cannot be solved */
  lit(state: VehicleState): LitState {
    return this.named(state, (way) => way.lit(state));
  }

  private named<T>(state: VehicleState, ask: (way: Way) => T): T {
    const way = this.way(state.direction);
    try {
      return ask(way);
    } catch (error) {
      throw namedFailure(error, this.vehicle.assembly, way.lowered);
    }
  }

  /**
   * The vehicle at each of many throttles on a DC track, everything else as in the state.
   * @throws CircuitError when the circuit cannot be solved
   */
  sweep(state: VehicleState, throttles: readonly number[]): LitState[] {
    return this.named(state, (way) => way.sweep(state, throttles));
  }

  private way(direction: 'forward' | 'reverse'): Way {
    const key = this.vehicle.supply.kind === 'dc-track' ? direction : 'forward';
    let way = this.ways.get(key);
    if (!way) this.ways.set(key, (way = new Way(this.vehicle, key)));
    return way;
  }
}

/** The circuit with the track one way round. */
class Way {
  readonly lowered: Lowered;
  private readonly lamps: ShiningPart[];
  private readonly resistors: Extract<Part, { kind: 'resistor' }>[];
  private readonly outputs: readonly string[];
  private readonly switches: readonly string[];
  private readonly filaments: Filament[];
  private readonly remembers: boolean;
  private readonly symmetric: boolean;
  private readonly probesFor: (plan: Plan) => Probe[];
  private readonly optics: readonly LampOptics[];
  private solver: StateSolver | null = null;
  private readonly row: Float64Array;

  constructor(
    private readonly vehicle: Vehicle,
    private readonly direction: 'forward' | 'reverse',
  ) {
    this.lowered = lowerVehicle(vehicle, direction);
    const { nodeOf, leftOut, netlist } = this.lowered;
    const live = vehicle.assembly.parts.filter((p) => !leftOut.includes(p.id));
    this.lamps = live.filter((p): p is ShiningPart => p.kind === 'lamp' || p.kind === 'bulb');
    this.resistors = live.filter((p) => p.kind === 'resistor');
    const decoder = live.find((p) => p.kind === 'decoder');
    this.outputs = decoder?.outputs.map((o) => o.id) ?? [];
    this.switches = live.filter((p) => p.kind === 'switch').map((p) => p.id);
    this.filaments = live
      .filter((p) => p.kind === 'bulb')
      .map((p) => ({ element: elementId('x', p.id), bulb: p.bulb, ohms: p.bulb.volts / p.bulb.amps }));
    this.symmetric = behindBridges(vehicle, this.lowered);
    this.remembers = netlist.elements.some((e) => e.kind === 'capacitor');
    this.optics = this.lamps.map((l) => opticsOf(vehicle.job, l));
    const at = (part: string, terminal: string): string => nodeOf.get(`${part}.${terminal}`) ?? GROUND;
    this.probesFor = (plan) => [
      ...this.lamps.flatMap((l) => {
        const [letter, plus, minus] =
          l.kind === 'bulb' ? (['x', 'one', 'two'] as const) : (['d', 'anode', 'cathode'] as const);
        return [
          currentProbe(plan, elementId(letter, l.id)),
          voltageProbe(plan, at(l.id, plus), at(l.id, minus)),
        ];
      }),
      ...this.resistors.map((r) => currentProbe(plan, elementId('r', r.id))),
      ...this.outputs.map((id) => currentProbe(plan, elementId('x', 'decoder', id))),
      magnitude(currentProbe(plan, 'r_supply')),
    ];
    this.row = new Float64Array(2 * this.lamps.length + this.resistors.length + this.outputs.length + 1);
  }

  lit(state: VehicleState): LitState {
    const sums = new Sums(this.lamps.length, this.resistors.length, this.outputs.length);
    for (let turn = 0; turn < FILAMENT_TURNS; turn++) {
      sums.clear();
      for (const { on, share } of this.slices(state)) {
        if (this.remembers && this.levels(state).length > 1) this.addPeriodic(sums, state, on, share);
        else this.addLevels(sums, state, on, share);
      }
      if (this.warmed(sums)) break;
    }
    return this.read(sums);
  }

  sweep(state: VehicleState, throttles: readonly number[]): LitState[] {
    if (this.filaments.length > 0 || this.remembers || this.outputs.length > 0)
      return throttles.map((throttle) => this.lit({ ...state, throttle }));
    this.solver ??= new StateSolver(this.lowered.netlist, this.probesFor);
    for (const [element, ohms] of this.ohmsOf(state, new Set())) this.solver.setSwitch(element, ohms);
    const { supply } = this.vehicle;
    const sine =
      supply.kind === 'dc-track' && (supply.making === 'full-wave' || supply.making === 'half-wave');
    const most = sine ? Math.max(...this.levels({ ...state, throttle: 1 }).map((l) => l.volts)) : null;
    const rowAt = characteristic(this.solver, 'v_supply', this.row.length, most);
    const sums = new Sums(this.lamps.length, this.resistors.length, this.outputs.length);
    return throttles.map((throttle) => {
      sums.clear();
      for (const level of this.levels({ ...state, throttle }))
        if (level.share > 0) sums.add(rowAt(level.volts), level.share);
      return this.read(sums);
    });
  }

  /** The outputs that conduct at the same time, and for what share: all begin together, the dimmest ends first. */
  private slices(state: VehicleState): { on: ReadonlySet<string>; share: number }[] {
    const { decoder } = this.vehicle.job;
    const dark = this.vehicle.supply.kind === 'dc-track' && !this.onDc();
    const duty = decoder && !dark ? outputsOn(decoder, state) : new Map<string, number>();
    const ends = [...new Set([...duty.values(), 1])].sort((a, b) => a - b);
    return ends.map((end, i) => ({
      on: new Set([...duty].filter(([, d]) => d >= end).map(([id]) => id)),
      share: end - (i === 0 ? 0 : ends[i - 1]),
    }));
  }

  private onDc(): boolean {
    const { decoder } = this.vehicle.job;
    return decoder !== null && decoderRunsOnDc(decoder.type);
  }

  private levels(state: VehicleState): Level[] {
    const { supply } = this.vehicle;
    if (supply.kind === 'dc-track' && state.throttle < LEAST_THROTTLE) return [{ volts: 0, share: 1 }];
    const controls = { throttle: state.throttle, direction: this.direction };
    const source = supplyKind(supply)
      .lower(supply, { right: 'r', left: GROUND }, { controls }, {})
      .find((e) => e.id === 'v_supply');
    const levels = source?.kind === 'voltage' ? levelsOf(source.wave) : [];
    return this.symmetric ? folded(levels) : levels;
  }

  private ohmsOf(state: VehicleState, on: ReadonlySet<string>): Map<string, number> {
    const ohms = new Map<string, number>();
    const closed = new Map(
      this.lowered.netlist.elements.filter((e) => e.kind === 'switch').map((e) => [e.id, e] as const),
    );
    for (const id of this.outputs) {
      const element = elementId('x', 'decoder', id);
      ohms.set(element, on.has(id) ? closed.get(element)!.onOhms : OUTPUT_OFF_OHMS);
    }
    for (const id of this.switches) {
      const element = elementId('x', id);
      const e = closed.get(element)!;
      const circuit = id.slice('switch-'.length);
      ohms.set(element, (state.switches[circuit] ?? e.closed) ? e.onOhms : e.offOhms);
    }
    for (const f of this.filaments) ohms.set(f.element, f.ohms);
    return ohms;
  }

  private addLevels(sums: Sums, state: VehicleState, on: ReadonlySet<string>, share: number): void {
    this.solver ??= new StateSolver(this.lowered.netlist, this.probesFor);
    for (const [element, ohms] of this.ohmsOf(state, on)) this.solver.setSwitch(element, ohms);
    for (const level of this.levels(state)) {
      if (level.share <= 0) continue;
      this.solver.setSource('v_supply', level.volts);
      this.solver.solve(this.row);
      sums.add(this.row, share * level.share);
    }
  }

  private addPeriodic(sums: Sums, state: VehicleState, on: ReadonlySet<string>, share: number): void {
    const ohms = this.ohmsOf(state, on);
    const controls = { throttle: state.throttle, direction: this.direction };
    const { supply, assembly } = this.vehicle;
    const rails = assembly.parts.find((p) => p.kind === 'rails')!;
    const nodes = { right: this.lowered.nodeOf.get(`${rails.id}.right`)!, left: GROUND };
    const source = supplyKind(supply).lower(supply, nodes, { controls }, { part: rails.id, role: 'supply' });
    const fresh = new Map(source.map((e) => [e.id, e]));
    const elements = this.lowered.netlist.elements.map((e) => {
      const own = ohms.get(e.id);
      if (e.kind === 'switch' && own !== undefined) return { ...e, closed: true, onOhms: own };
      return fresh.get(e.id) ?? e;
    });
    const solution = periodicSteadyState({ ...this.lowered.netlist, elements }, (plan) => {
      const probes = this.probesFor(plan);
      // Squares beside the figures, for heat and filaments.
      return [
        ...probes,
        ...probes.map(
          (p): Probe =>
            (s, t) =>
              p(s, t) ** 2,
        ),
      ];
    });
    const count = this.row.length;
    sums.addSpreads(
      solution.spreads.slice(0, count),
      solution.spreads.slice(count).map((s) => s.mean),
      share,
    );
  }

  /** Sets the filaments to the warmth their RMS voltage gives them. @returns whether they had it already */
  private warmed(sums: Sums): boolean {
    let settled = true;
    let f = 0;
    this.lamps.forEach((lamp, k) => {
      if (lamp.kind !== 'bulb') return;
      const filament = this.filaments[f++];
      const next = filamentOhms(filament.bulb, Math.sqrt(sums.voltsSquared[k]));
      if (Math.abs(next - filament.ohms) > FILAMENT_SHARE * next) settled = false;
      filament.ohms = next;
    });
    return settled;
  }

  private read(sums: Sums): LitState {
    return {
      lamps: this.lamps.map((lamp, k) => {
        const optics = this.optics[k];
        const rms = Math.sqrt(sums.voltsSquared[k]);
        const lumens = lumensOf(lamp, optics, lamp.kind === 'bulb' ? rms : sums.forwardAmps[k]);
        return {
          part: lamp.id,
          lampId: lamp.lampId,
          second: lamp.id === diesOf(lamp.lampId)[1],
          led: lamp.kind === 'lamp' ? lamp.led : null,
          amps: lamp.kind === 'bulb' ? Math.sqrt(sums.ampsSquared[k]) : sums.forwardAmps[k],
          peakAmps: sums.peakAmps[k],
          reverseVolts: lamp.kind === 'bulb' ? 0 : sums.reverseVolts[k],
          lumens,
          lightness: lightnessAhead(lumens, optics),
          xy: optics.xy,
        };
      }),
      resistorWatts: new Map(this.resistors.map((r, i) => [r.id, sums.resistorSquared[i] * r.ohms])),
      outputAmps: new Map(this.outputs.map((id, i) => [id, sums.outputAmps[i]])),
      supplyAmps: sums.supplyAmps,
    };
  }
}

const magnitude =
  (probe: Probe): Probe =>
  (system, seconds) =>
    Math.abs(probe(system, seconds));

const decoderRunsOnDc = (type: string): boolean => decoderTypes[type].runsOnDc;
