import { elementId } from '../assembly/element-id';
import { OUTPUT_OFF_OHMS } from '../assembly/decoder-elements';
import { lower, type Lowered } from '../assembly/lower';
import { namedFailure } from '../assembly/named-failure';
import { characteristic } from '../circuit/characteristic';
import { courseOf, levelKey, levelsOf, type Course } from '../circuit/course';
import { CircuitError } from '../circuit/error';
import { GROUND } from '../circuit/netlist';
import { Workspace } from '../circuit/workspace';
import { mayFlicker } from '../light/flicker';
import { chainOf } from '../document/line-stages';
import { filamentOhms, type BulbPart } from '../part/bulb';
import { supplyKind, type Controls, type Stress } from '../supply';
import { throttleIn, type Phase, type State } from '../supply/state';
import { isBehindBridges } from './behind-bridges';
import { controlsIn, driveKey, isClosed, phasesOf } from './drive';
import { Meter } from './meter';
import { usualState } from './states';
import { Tally } from './tally';
import type { Step } from '../circuit/transient';
import type { Wave } from '../circuit/waveform';
import type { Bench } from './bench';
import type { Readings } from './readings';

interface Filament {
  readonly element: string;
  readonly bulb: BulbPart;
  readonly die: number;
  ohms: number;
}

/** Turns of the search for the warmth of the filaments, and how near they must come. */
const FILAMENT_TURNS = 60;
const FILAMENT_SHARE = 1e-7;

/** How a state is asked for. */
export interface Asked {
  readonly stress?: Stress;
  /** Which of its phases; the first when left out. */
  readonly phase?: Phase;
  /** Stored charges to begin from, as from the answer before an edit. */
  readonly guess?: ArrayLike<number>;
}

/**
 * Solves a job for one state after another. Without memory every mean is a sum over the levels the
 * supply runs through, in their order where flicker is asked; at one level it is the operating point;
 * with memory it is the periodic steady state, begun where the nearest solved state ended. What
 * drives the circuit alike is solved once.
 */
export class Solver {
  private readonly known = new Map<string, Readings | CircuitError>();
  private readonly ways = new Map<string, Way>();

  constructor(readonly bench: Bench) {}

  /** The phases of a state. */
  phases(state: State, stress: Stress = 'usual'): readonly Phase[] {
    return phasesOf(this.bench, stressed(this.bench, state, stress));
  }

  /** Whether every throttle follows from one characteristic of the circuit, and so costs next to nothing. */
  get sweepsFast(): boolean {
    return this.bench.job.decoder === null && this.way(controlsIn({}), 'usual').isPlain;
  }

  /**
   * The lamps of the job at each of many throttles on a DC track, everything else as in the state.
   * @throws CircuitError when the circuit cannot be solved
   */
  sweep(state: State, throttles: readonly number[]): Pick<Readings, 'dies'>[] {
    const way = this.way(controlsIn({ ...state, throttle: 1 }), 'usual');
    if (this.bench.job.decoder || !way.isPlain)
      return throttles.map((throttle) => this.at({ ...state, throttle }));
    try {
      return way.sweep(state, throttles);
    } catch (error) {
      throw namedFailure(error, this.bench.assembly, way.lowered);
    }
  }

  /**
   * What flows and shines in a phase of a state.
   * @throws CircuitError naming the things it is about when the circuit cannot be solved
   */
  at(state: State, { stress = 'usual', phase, guess }: Asked = {}): Readings {
    const { bench } = this;
    const set = stressed(bench, state, stress);
    const own = phase ?? this.phases(set)[0];
    const key = `${stress} ${driveKey(bench, set, own)}`;
    const before = this.known.get(key);
    if (before instanceof CircuitError) throw before;
    if (before) return before;
    const way = this.way(controlsIn(set), stress);
    try {
      const readings = way.solve(set, own, stress, guess);
      this.known.set(key, readings);
      return readings;
    } catch (error) {
      const named = namedFailure(error, bench.assembly, way.lowered);
      if (named instanceof CircuitError) this.known.set(key, named);
      throw named;
    }
  }

  /** A source that changes its own circuit with direction or throttle is compiled for each. */
  private way(controls: Controls, stress: Stress): Way {
    const { supply, assembly } = this.bench;
    const elements = supplyKind(supply).lower(supply, { right: 'r', left: GROUND }, { controls, stress }, {});
    // A supply beside it is compiled as it is.
    const beside = assembly.parts.some((p) => p.kind === 'rails' && p.beside);
    const key = JSON.stringify([
      beside ? stress : null,
      elements.map((e) => (e.kind === 'voltage' ? [e.id, e.a, e.b] : e)),
    ]);
    let way = this.ways.get(key);
    if (!way) this.ways.set(key, (way = new Way(this.bench, lower(assembly, supply, { controls, stress }))));
    return way;
  }
}

/** A state with the throttle open where a DC track is taken at its highest. */
const stressed = ({ supply }: Bench, state: State, stress: Stress): State =>
  supply.kind === 'dc-track' && stress !== 'usual' && throttleIn(state) !== 1
    ? { ...state, throttle: 1 }
    : state;

/** The circuit with its supply one way round. */
class Way {
  private readonly meter: Meter;
  private readonly workspace: Workspace;
  private readonly symmetric: boolean;
  private readonly filaments: readonly Filament[];
  private readonly row: Float64Array;
  private readonly closed: ReadonlyMap<string, number>;
  /** Charges of the last answer, and of the last one that charged the reservoirs by the same outputs and switches. */
  private stored: Float64Array | undefined;
  private readonly storedBy = new Map<string, Float64Array>();
  /** Outputs that feed a reservoir. */
  private readonly charging: ReadonlySet<string>;

  constructor(
    private readonly bench: Bench,
    readonly lowered: Lowered,
  ) {
    this.meter = new Meter(bench, lowered);
    this.workspace = new Workspace(lowered.netlist, (plan) => this.meter.probes(plan));
    this.row = new Float64Array(this.workspace.figures);
    this.symmetric = isBehindBridges(bench, lowered);
    this.charging = new Set(
      bench.assembly.parts.flatMap((p) => {
        if (p.kind !== 'electrolytic' || p.line === null) return [];
        const { from } = chainOf(bench.job, p.line)[0];
        return from.kind === 'output' ? [from.output] : [];
      }),
    );
    this.closed = new Map(
      lowered.netlist.elements.flatMap((e) => (e.kind === 'switch' ? [[e.id, e.onOhms] as const] : [])),
    );
    this.filaments = this.meter.dies.flatMap((d, die) =>
      d.part.kind === 'bulb'
        ? [
            {
              element: elementId('x', d.part.id),
              bulb: d.part.bulb,
              die,
              ohms: d.part.bulb.volts / d.part.bulb.amps,
            },
          ]
        : [],
    );
  }

  /** No memory and no filament: its figures follow from the level of the supply alone. */
  get isPlain(): boolean {
    return !this.workspace.remembers && this.filaments.length === 0;
  }

  /** Every throttle from one characteristic of the circuit. */
  sweep(state: State, throttles: readonly number[]): Pick<Readings, 'dies'>[] {
    const { workspace, meter } = this;
    this.setSwitches(state);
    const course = (throttle: number): Course =>
      courseOf(this.wave(controlsIn({ ...state, throttle }), 'usual'));
    const { peaks } = course(1);
    const most = peaks.length > 0 ? Math.max(...peaks.map(Math.abs)) : null;
    const rowAt = characteristic(workspace, 'v_supply', workspace.figures, most);
    const tally = new Tally(workspace.figures);
    return throttles.map((throttle) => {
      tally.clear();
      for (const level of levelsOf(course(throttle))) tally.add(rowAt(level.volts), level.share);
      return { dies: meter.readDies(tally.spread, null) };
    });
  }

  solve(state: State, phase: Phase, stress: Stress, guess?: ArrayLike<number>): Readings {
    const { workspace, meter } = this;
    const wave = this.wave(controlsIn(state), stress);
    workspace.setWave('v_supply', wave);
    this.setSwitches(state);
    const course = courseOf(wave);
    const asked = phase.slices.filter((s) => s.share > 0);
    const light =
      asked.length === 1 && stress === 'usual' && mayFlicker(course.period)
        ? meter.dies.map((): [number, number][] => [])
        : null;
    const tally = new Tally(workspace.figures);
    let stored: Float64Array = new Float64Array(workspace.plan.states.ids.length);
    for (let turn = 0; turn < FILAMENT_TURNS; turn++) {
      tally.clear();
      for (const { conducting, share } of asked) {
        this.setOutputs(conducting);
        if (workspace.remembers && course.period > 0)
          stored = this.addPeriodic(tally, share, this.chargedBy(state, conducting), guess, light);
        else stored = this.addLevels(tally, course, share, light);
      }
      if (this.warmed(tally)) break;
    }
    return meter.read(tally.spread, { period: course.period, stored }, light);
  }

  private wave(controls: Controls, stress: Stress): Wave {
    const { supply } = this.bench;
    const source = supplyKind(supply)
      .lower(supply, { right: 'r', left: GROUND }, { controls, stress }, {})
      .find((e) => e.kind === 'voltage');
    return source?.kind === 'voltage' ? source.wave : { kind: 'dc', level: 0 };
  }

  private setSwitches(state: State): void {
    for (const part of this.bench.assembly.parts) {
      if (part.kind !== 'switch') continue;
      const element = elementId('x', part.id);
      const onOhms = this.closed.get(element);
      if (onOhms !== undefined)
        this.workspace.setSwitch(element, isClosed(part, state) ? onOhms : OUTPUT_OFF_OHMS);
    }
  }

  private setOutputs(conducting: ReadonlySet<string>): void {
    const set = (element: string, closed: boolean): void =>
      this.workspace.setSwitch(element, closed ? this.closed.get(element)! : OUTPUT_OFF_OHMS);
    for (const { id, element, held } of this.meter.outputs) {
      set(element, conducting.has(id));
      if (held !== null) set(held, !conducting.has(id));
    }
    for (const f of this.filaments) this.workspace.setSwitch(f.element, f.ohms);
  }

  /** The sum over the levels of the supply. @returns the charges at its last level */
  private addLevels(
    tally: Tally,
    course: Course,
    share: number,
    light: [number, number][][] | null,
  ): Float64Array {
    const { workspace, row, symmetric } = this;
    const lightAt = this.meter.lightAt;
    const seen = light ? new Map<number, number[]>() : null;
    for (const level of levelsOf(course, symmetric)) {
      workspace.setLevel('v_supply', level.volts);
      workspace.solve(row);
      tally.add(row, share * level.share);
      seen?.set(
        levelKey(level.volts),
        lightAt.map((at) => row[at]),
      );
    }
    if (light && seen) {
      for (const samples of light) samples.length = 0;
      for (const { from, to, volts, flat } of course.points) {
        const now = seen.get(levelKey(symmetric ? Math.abs(volts) : volts))!;
        now.forEach((lumens, i) => {
          if (flat) light[i].push([from, lumens], [to, lumens]);
          else light[i].push([(from + to) / 2, lumens]);
        });
      }
      for (const samples of light) close(samples, course.period);
    }
    return workspace.stored;
  }

  /** By what the reservoirs are charged: two answers that agree in it differ little in their charges. */
  private chargedBy(state: State, conducting: ReadonlySet<string>): string {
    const outputs = [...conducting].filter((id) => this.charging.has(id)).sort();
    const switches = this.bench.assembly.parts.flatMap((p) =>
      p.kind === 'switch' ? [isClosed(p, state)] : [],
    );
    return JSON.stringify([outputs, switches]);
  }

  private addPeriodic(
    tally: Tally,
    share: number,
    chargedBy: string,
    guess: ArrayLike<number> | undefined,
    light: [number, number][][] | null,
  ): Float64Array {
    const { workspace, meter } = this;
    const lightAt = meter.lightAt;
    const begin = this.storedBy.get(chargedBy) ?? this.stored ?? guess;
    const same = begin?.length === workspace.plan.states.ids.length ? begin : undefined;
    for (const samples of light ?? []) samples.length = 0;
    const note = (step: Step): void => {
      if (!light) return;
      lightAt.forEach((at, i) => {
        if (light[i].length === 0) light[i].push([step.from, step.before[at]]);
        if (step.middle < step.to) light[i].push([step.middle, step.within[at]]);
        light[i].push([step.to, step.after[at]]);
      });
    };
    const { spreads, stored } = workspace.periodic({ guess: same, onStep: note });
    this.stored = stored;
    this.storedBy.set(chargedBy, stored);
    spreads.forEach((s, i) => tally.addSpread(i, s, share));
    return stored;
  }

  /** Sets the filaments to the warmth their RMS voltage gives them. @returns whether they had it already */
  private warmed(tally: Tally): boolean {
    let settled = true;
    for (const f of this.filaments) {
      const next = filamentOhms(f.bulb, Math.sqrt(tally.means[this.meter.dies[f.die].at + 3]));
      if (Math.abs(next - f.ohms) > FILAMENT_SHARE * next) settled = false;
      f.ohms = next;
    }
    return settled;
  }
}

/** Carries samples over to both ends of a period. */
function close(samples: [number, number][], period: number): void {
  const first = samples[0];
  const last = samples[samples.length - 1];
  const between = (first[1] + last[1]) / 2;
  if (first[0] > 0) samples.unshift([0, between]);
  if (last[0] < period) samples.push([period, between]);
}

/**
 * What flows and shines in the state of every day.
 * @param state otherwise than usual
 * @param guess stored charges to start from, as from the answer before an edit
 * @throws CircuitError when it cannot be solved
 */
export const usualReadings = (bench: Bench, guess?: ArrayLike<number>, state: State = {}): Readings =>
  new Solver(bench).at(usualState(bench, state), { guess });
