import { CircuitError } from '../circuit/error';
import { Factorisation } from '../circuit/factorisation';
import { takenAt } from './load-curve';
import type { Taken } from '../circuit/run-along';
import {
  loweredAfter,
  type Converter,
  type Island,
  type Load,
  type Lowered,
  type Network,
  type Pair,
  type Source,
} from './network';
import type { Layout } from '../document/layout';

/** Volts of every conductor of every place, and what each source gives. */
export interface Solution {
  /** By the number of a place; within an island against the minus of its first source. */
  readonly volts: Float64Array;
  /** By source; positive out of its plus. */
  readonly sourceAmps: ReadonlyMap<Source, number>;
  /** By converter: what its output stands at, and what its input takes. */
  readonly converters: ReadonlyMap<Converter, ConverterReading>;
}

export interface ConverterReading {
  readonly outVolts: number;
  readonly inAmps: number;
  /** It has not the volts to work from: its output falls with its input. */
  readonly starved: boolean;
}

const MOST_TURNS = 300;
const PATIENT_TURNS = 25;
const SETTLED_VOLTS = 1e-9;
/** Leak to ground that leaves no place floating: what is fed by nothing stands at nothing. */
const LEAK_SIEMENS = 1e-9;
/** No step of an unknown is longer than this share of the greatest source. */
const STEP_SHARE = 0.25;
const CONVERTER_TURNS = 60;

/** What keeps its power: I = P / V above its volts, falling to nothing below them. */
export function powerTaken(watts: number, aboveVolts: number, at: number): Taken {
  if (at <= 0) return { amps: 0, siemens: 0 };
  if (at >= aboveVolts) return { amps: watts / at, siemens: -watts / at ** 2 };
  const slope = watts / aboveVolts ** 2;
  return { amps: slope * at, siemens: slope };
}

const taken = ({ takes }: Load, at: number): Taken =>
  takes.by === 'curve' ? takenAt(takes.curve, at) : powerTaken(takes.watts, takes.aboveVolts, at);

/** One island as equations: Kirchhoff's current law at every conductor but the ground's, solved sparsely within Newton's iteration. */
export class IslandSolver {
  /** The unknown of each place by its number less `first`; -1 for the ground, which is none. */
  private readonly index: Int32Array;
  private readonly first: number;
  private readonly lu: Factorisation;
  private readonly values: Float64Array;
  private readonly fixed: Float64Array;
  private readonly right: Float64Array;
  private readonly step: Float64Array;
  private readonly loadSlots: readonly Int32Array[];
  private readonly inputSlots: readonly Int32Array[];
  /** Its unknowns, kept as a guess for the next time. */
  readonly x: Float64Array;

  constructor(readonly island: Island) {
    const ground = island.sources[0]?.minus ?? -1;
    const places = island.places.filter((p) => p !== ground);
    let last = 0;
    this.first = Infinity;
    for (const p of island.places) {
      this.first = Math.min(this.first, p);
      last = Math.max(last, p);
    }
    this.index = new Int32Array(last - this.first + 1).fill(-1);
    places.forEach((p, i) => (this.index[p - this.first] = i));
    const size = places.length;
    const pattern: [number, number][] = places.map((_, i) => [i, i]);
    const couple = (a: number, b: number): void => {
      const [i, j] = [this.at(a), this.at(b)];
      if (i >= 0 && j >= 0) pattern.push([i, j], [j, i]);
    };
    for (const { a, b } of island.conductors) couple(a, b);
    for (const { plus, minus } of [...island.sources, ...island.loads]) couple(plus, minus);
    for (const { input } of island.feeds) couple(input.plus, input.minus);
    this.lu = new Factorisation(
      size,
      pattern,
      Int32Array.from({ length: size }, (_, i) => i),
    );
    this.values = new Float64Array(this.lu.slots + 1);
    this.fixed = new Float64Array(this.lu.slots + 1);
    [this.right, this.step, this.x] = [0, 1, 2].map(() => new Float64Array(size)) as [
      Float64Array,
      Float64Array,
      Float64Array,
    ];
    for (let i = 0; i < size; i++) this.fixed[this.lu.slot(i, i)] += LEAK_SIEMENS;
    for (const { a, b, ohms } of island.conductors) this.stamp(this.fixed, this.slotsOf(a, b), 1 / ohms);
    for (const { plus, minus, ohms } of island.sources)
      this.stamp(this.fixed, this.slotsOf(plus, minus), 1 / ohms);
    this.loadSlots = island.loads.map((l) => this.slotsOf(l.plus, l.minus));
    this.inputSlots = island.feeds.map((c) => this.slotsOf(c.input.plus, c.input.minus));
  }

  private at(place: number): number {
    return this.index[place - this.first];
  }

  /** Where a conductance between two places stands in the equations, what touches the ground in their bin. */
  private slotsOf(a: number, b: number): Int32Array {
    const [i, j] = [this.at(a), this.at(b)];
    return Int32Array.of(this.lu.slot(i, i), this.lu.slot(j, j), this.lu.slot(i, j), this.lu.slot(j, i));
  }

  private stamp(into: Float64Array, slots: Int32Array, siemens: number): void {
    into[slots[0]] += siemens;
    into[slots[1]] += siemens;
    into[slots[2]] -= siemens;
    into[slots[3]] -= siemens;
  }

  /** Volts of a place. */
  voltsAt(place: number): number {
    const i = this.at(place);
    return i < 0 ? 0 : this.x[i];
  }

  private inject(place: number, amps: number): void {
    const i = this.at(place);
    if (i >= 0) this.right[i] += amps;
  }

  /**
   * How it answers to an ampere taken at one place and given back at another, with its sources at rest and
   * without its loads; after a solution of it without loads, whose factors serve again.
   * @returns the resistance one sees between the two, and the volts each place falls by
   */
  answerTo(plus: number, minus: number): { readonly ohms: number; readonly at: (place: number) => number } {
    const { right, step } = this;
    right.fill(0);
    this.inject(plus, 1);
    this.inject(minus, -1);
    this.lu.solveAgain(this.values, right, step);
    const at = (place: number): number => {
      const i = this.at(place);
      return i < 0 ? 0 : step[i];
    };
    return { ohms: at(plus) - at(minus), at };
  }

  /**
   * Solves it with its sources at given volts, and what its converters' inputs take.
   * @throws CircuitError 'no-convergence' when it does not settle
   */
  solve(voltsOf: (source: Source) => number, wattsInto: (converter: Converter) => number): void {
    const { island, x, right, step, values } = this;
    const greatest = Math.max(1e-3, ...island.sources.map(voltsOf));
    // From above: of two answers that what keeps its power may have, the one that works.
    for (const p of island.places) {
      const i = this.at(p);
      if (i >= 0 && x[i] === 0 && p % 2 === 0) x[i] = greatest;
    }
    for (let turn = 0; turn < MOST_TURNS; turn++) {
      values.set(this.fixed);
      right.fill(0);
      for (const s of island.sources) {
        const amps = voltsOf(s) / s.ohms;
        this.inject(s.plus, amps);
        this.inject(s.minus, -amps);
      }
      const draw = (slots: Int32Array, { plus, minus }: Pair, { amps, siemens }: Taken): void => {
        const at = this.voltsAt(plus) - this.voltsAt(minus);
        // What takes more as its volts fall is followed by its own resistance where Newton goes to and fro.
        const slope = siemens < 0 && turn > PATIENT_TURNS ? amps / at : siemens;
        this.stamp(values, slots, slope);
        const constant = amps - slope * at;
        this.inject(plus, -constant);
        this.inject(minus, constant);
      };
      island.loads.forEach((l, k) =>
        draw(this.loadSlots[k], l, taken(l, this.voltsAt(l.plus) - this.voltsAt(l.minus))),
      );
      island.feeds.forEach((c, k) => {
        const { plus, minus } = c.input;
        const above = c.output.volts + c.headroomVolts;
        const at = this.voltsAt(plus) - this.voltsAt(minus);
        draw(this.inputSlots[k], c.input, powerTaken(wattsInto(c), above / 2, at));
      });
      if (!this.lu.factorAndSolve(values, right, step))
        throw new CircuitError('singular', 'the network cannot be solved', []);
      let most = 0;
      for (let i = 0; i < x.length; i++) most = Math.max(most, Math.abs(step[i] - x[i]));
      const share = Math.min(1, (STEP_SHARE * greatest) / Math.max(most, 1e-12));
      for (let i = 0; i < x.length; i++) x[i] += share * (step[i] - x[i]);
      if (most < SETTLED_VOLTS * Math.max(1, greatest)) return;
    }
    throw new CircuitError('no-convergence', 'the volts of the network do not settle', []);
  }
}

/** Solvers of islands kept from one time to the next, so that an edit of a figure costs no new order of elimination. */
export class FeedSolver {
  /** By the first place of each. */
  private kept: ReadonlyMap<number, IslandSolver> = new Map();
  private last: Lowered | null = null;

  /**
   * The network of a layout, made ready to be solved.
   * @throws NetworkError when converters feed one another in a round
   */
  lower(layout: Layout): Lowered {
    return (this.last = loweredAfter(this.last, layout));
  }

  /**
   * Solves a network: islands from the far side of its converters on, these until what they take and
   * what they give agree.
   * @throws CircuitError when it does not settle
   */
  solve(network: Network): Solution {
    const volts = new Float64Array(network.size);
    const solvers = network.islands.map((island) => {
      const known = this.kept.get(island.places[0]);
      const serves = known && sameEquations(known.island, island);
      return { island, solver: serves ? Object.assign(known, { island }) : new IslandSolver(island) };
    });
    this.kept = new Map(solvers.map(({ solver, island }) => [island.places[0], solver]));
    const readings = new Map<Converter, ConverterReading>(
      network.converters.map((c) => [c, { outVolts: c.output.volts, inAmps: 0, starved: false }]),
    );
    const byOutput = new Map<Source, Converter>(network.converters.map((c) => [c.output, c]));
    const voltsOf = (s: Source): number => {
      const of = byOutput.get(s);
      return of ? readings.get(of)!.outVolts : s.volts;
    };
    const ampsOf = (solver: IslandSolver, s: Source): number =>
      (voltsOf(s) - (solver.voltsAt(s.plus) - solver.voltsAt(s.minus))) / s.ohms;
    const given = new Map<Source, number>();
    for (let turn = 0; turn < CONVERTER_TURNS; turn++) {
      for (const { solver, island } of solvers) {
        solver.solve(
          voltsOf,
          (c) => (readings.get(c)!.outVolts * Math.max(0, given.get(c.output) ?? 0)) / c.efficiency,
        );
        for (const s of island.sources) given.set(s, ampsOf(solver, s));
      }
      let moved = 0;
      for (const { solver, island } of solvers)
        for (const c of island.feeds) {
          const at = solver.voltsAt(c.input.plus) - solver.voltsAt(c.input.minus);
          const can = Math.max(0, Math.min(c.output.volts, at - c.headroomVolts));
          const before = readings.get(c)!;
          // Half the way each turn: what starves draws less, and is starved less.
          const next = can >= c.output.volts ? c.output.volts : (before.outVolts + can) / 2;
          moved = Math.max(moved, Math.abs(next - before.outVolts));
          const watts = (next * Math.max(0, given.get(c.output) ?? 0)) / c.efficiency;
          const above = (c.output.volts + c.headroomVolts) / 2;
          readings.set(c, {
            outVolts: next,
            inAmps: powerTaken(watts, above, at).amps,
            starved: next < c.output.volts - 1e-3,
          });
        }
      if (moved < 1e-4) break;
    }
    for (const { solver, island } of solvers) for (const p of island.places) volts[p] = solver.voltsAt(p);
    return { volts, sourceAmps: given, converters: readings };
  }
}

/** Whether two islands differ in nothing but what their loads take and what their sources give. */
function sameEquations(a: Island, b: Island): boolean {
  const [p, q] = [a.conductors, b.conductors];
  const pairs = <T extends Pair>(of: readonly T[], as: readonly T[]): boolean =>
    of.length === as.length && of.every((o, k) => o.plus === as[k].plus && o.minus === as[k].minus);
  return (
    a.places.length === b.places.length &&
    a.places.every((place, k) => place === b.places[k]) &&
    p.length === q.length &&
    p.every((c, k) => c.a === q[k].a && c.b === q[k].b && c.ohms === q[k].ohms) &&
    pairs(a.sources, b.sources) &&
    a.sources.every((s, k) => s.ohms === b.sources[k].ohms) &&
    pairs(a.loads, b.loads) &&
    pairs(
      a.feeds.map((c) => c.input),
      b.feeds.map((c) => c.input),
    )
  );
}
