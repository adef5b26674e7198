import { CircuitError } from '../circuit/error';
import { cellLifeStudy, type CellLifeStudy } from '../study/cell-life';
import { inrushStudy, type InrushStudy } from '../study/inrush';
import { noLoadStudy, type NoLoad } from '../study/no-load';
import { groundPool } from '../study/pools';
import { rideStudy, type RideStudy } from '../study/ride';
import { Solver } from '../study/solver';
import { usualState } from '../study/states';
import { aspectLooks, type AspectLook } from '../study/aspect-looks';
import { flasherRun, type FlasherRun } from '../study/flasher-run';
import { throttleSweep, type ThrottleSweep } from '../study/throttle-sweep';
import { trimmerTravel, type TrimmerTravel } from '../study/trimmer-travel';
import { truthTable, type TruthRow, type UnsolvedState } from '../study/truth-table';
import type { Pool } from '../light/pool';
import type { Bench } from '../study/bench';
import type { Readings } from '../study/readings';

/** What rules may ask for, by name. */
export interface Studies {
  /** The job as it is laid out: nothing is solved. */
  readonly laid: null;
  /** The state of every day. */
  readonly now: Readings;
  /** Every state as its supply is set, and at the supply's highest. */
  readonly usual: readonly TruthRow[];
  readonly highest: readonly TruthRow[];
  /** States without an answer: nothing is judged by them, and that is said. */
  readonly unsolved: readonly UnsolvedState[];
  /** Each reservoir with every lamp out. */
  readonly noLoad: readonly NoLoad[];
  /** Null on a supply without a throttle. */
  readonly sweep: ThrottleSweep | null;
  /** Light on the ground; null in the dark, and for what lights none. */
  readonly pool: Pool | null;
  /** Each socket's trimmer over its travel. */
  readonly trimmers: readonly TrimmerTravel[];
  /** Each aspect as an eye sees it; none for what shows no aspects. */
  readonly aspects: readonly AspectLook[];
  /** Null for what no flasher drives. */
  readonly flasher: FlasherRun | null;
  /** Null where nothing is charged. */
  readonly inrush: InrushStudy | null;
  /** Null for what runs on no rails. */
  readonly ride: RideStudy | null;
  /** Null on a supply that does not run down. */
  readonly cellLife: CellLifeStudy | null;
}
export type StudyName = keyof Studies;

/** How long a study takes: within a frame, soon, or long enough to wait for. */
export type Pace = 'frame' | 'soon' | 'slow';
export const paceOf: Readonly<Record<StudyName, Pace>> = {
  laid: 'frame',
  now: 'frame',
  usual: 'frame',
  highest: 'frame',
  unsolved: 'frame',
  pool: 'frame',
  aspects: 'frame',
  noLoad: 'soon',
  sweep: 'soon',
  trimmers: 'soon',
  flasher: 'slow',
  inrush: 'slow',
  ride: 'slow',
  cellLife: 'slow',
};

/** The studies of one job, each made when it is first asked for and kept; one that fails is kept as failed. */
export class StudyDesk {
  readonly solver: Solver;
  private readonly known = new Map<
    StudyName,
    { readonly value: unknown } | { readonly failure: CircuitError }
  >();

  constructor(readonly bench: Bench) {
    this.solver = new Solver(bench);
  }

  /** @throws CircuitError when it has no answer */
  get<N extends StudyName>(name: N): Studies[N] {
    let found = this.known.get(name);
    if (!found) {
      try {
        found = { value: this.make(name) };
      } catch (error) {
        if (!(error instanceof CircuitError)) throw error;
        found = { failure: error };
      }
      this.known.set(name, found);
    }
    if ('failure' in found) throw found.failure;
    return found.value as Studies[N];
  }

  private make(name: StudyName): unknown {
    const { bench, solver } = this;
    switch (name) {
      case 'laid':
        return null;
      case 'now':
        return solver.at(usualState(bench));
      case 'usual':
        return truthTable(bench, solver).rows;
      case 'highest':
        return truthTable(bench, solver, 'highest').rows;
      case 'unsolved':
        return [...truthTable(bench, solver).unsolved, ...truthTable(bench, solver, 'highest').unsolved];
      case 'noLoad':
        return noLoadStudy(bench);
      case 'sweep':
        return throttleSweep(bench, solver);
      case 'pool':
        return groundPool(bench, this.get('now'));
      case 'aspects':
        return aspectLooks(bench, solver);
      case 'flasher':
        return flasherRun(bench);
      case 'trimmers':
        return trimmerTravel(bench);
      case 'inrush':
        return inrushStudy(bench);
      case 'ride':
        return rideStudy(bench, this.get('now'));
      case 'cellLife':
        return cellLifeStudy(bench);
    }
  }
}
