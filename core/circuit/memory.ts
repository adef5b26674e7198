import type { Plan } from './plan';
import type { System } from './system';

/** Steps of one stretch that are remembered, and stretches. */
const MOST_STEPS = 64;
const MOST_STRETCHES = 96;
/** After so many repeats the steps are chosen afresh, so that they can grow again. */
const REPEATS = 48;

/** The unknowns at a moment of the stretch, and the tangents they were found with. */
interface Point {
  readonly x: Float64Array;
  readonly tangents: Float64Array;
}

/** The steps last taken over a stretch between two corners, and what the unknowns were along it. */
interface Stretch {
  uses: number;
  count: number;
  readonly spans: Float64Array;
  readonly start: Float64Array;
  readonly within: Point[];
  readonly ends: Point[];
}

/**
 * What a run remembers of like stretches: a periodic source brings the same corners again and
 * again, so the steps that served last time serve again, and the unknowns of last time, moved by
 * how far the start has drifted, are where Newton's iteration begins. Only speed hangs on it: a
 * wrong memory costs iterations, never accuracy.
 */
export class StretchMemory {
  private readonly stretches = new Map<number, Stretch>();
  private now: Stretch | null = null;
  private at = 0;

  constructor(
    private readonly plan: Plan,
    private readonly system: System,
  ) {}

  /**
   * Opens the stretch between two corners.
   * @param mayRepeat whether one like it can follow: else nothing of it is noted
   */
  open(from: number, to: number, mayRepeat: boolean): void {
    const key = this.keyOf(from, to);
    let stretch = this.stretches.get(key);
    if (!stretch && !mayRepeat) {
      this.now = null;
      return;
    }
    if (!stretch) {
      if (this.stretches.size >= MOST_STRETCHES) this.stretches.clear();
      stretch = {
        uses: 0,
        count: 0,
        spans: new Float64Array(MOST_STEPS),
        start: new Float64Array(this.system.x.length),
        within: [],
        ends: [],
      };
      this.stretches.set(key, stretch);
    }
    stretch.uses++;
    this.now = stretch;
    this.at = 0;
  }

  /** The step that served at this place last time; NaN when there is none to repeat. */
  span(): number {
    const s = this.now;
    return s !== null && this.at < s.count && s.uses % REPEATS !== 0 ? s.spans[this.at] : NaN;
  }

  /**
   * Puts a guess of the unknowns at the inner stage or the end of the next step, and its tangents,
   * into the system; false when there is none.
   */
  guess(end: boolean, span: number, x0: Float64Array): boolean {
    const s = this.now;
    if (s === null || this.at >= s.count || Math.abs(span - s.spans[this.at]) > 1e-6 * span) return false;
    const then = (end ? s.ends : s.within)[this.at];
    const before = this.at === 0 ? s.start : s.ends[this.at - 1].x;
    const { x } = this.system;
    for (let i = 0; i < x.length; i++) x[i] = then.x[i] + (x0[i] - before[i]);
    this.system.branches.takeTangents(then.tangents);
    return true;
  }

  /** Notes the inner stage of a step under way; it counts once the step is noted. */
  noteStage(): void {
    if (this.now !== null && this.at < MOST_STEPS) this.copy(this.now.within);
  }

  /** Notes an accepted step, its end being what the system now holds. */
  note(span: number, x0: Float64Array): void {
    const s = this.now;
    if (s === null || this.at >= MOST_STEPS) return;
    if (this.at === 0) s.start.set(x0);
    s.spans[this.at] = span;
    this.copy(s.ends);
    this.at++;
    if (this.at > s.count) s.count = this.at;
  }

  private copy(into: Point[]): void {
    const { system, at } = this;
    if (at >= into.length) {
      into.push({
        x: new Float64Array(system.x.length),
        tangents: new Float64Array(system.branches.tangentsLength),
      });
    }
    const { x } = into[at];
    for (let i = 0; i < x.length; i++) x[i] = system.x[i];
    system.branches.giveTangents(into[at].tangents);
  }

  /** Closes the stretch: what lay behind its last step no longer counts. */
  close(): void {
    if (this.now) this.now.count = Math.min(this.at, MOST_STEPS);
    this.now = null;
  }

  clear(): void {
    this.stretches.clear();
    this.now = null;
  }

  /** Tells stretches apart by their length and by where the sources start and end in them. */
  private keyOf(from: number, to: number): number {
    let key = Math.round(Math.log2(to - from) * 64);
    for (const table of [this.plan.voltages, this.plan.currents]) {
      for (const signal of table.signals) {
        key = (key * 31 + Math.round(signal.at(from) * 1000)) % 1e9;
        key = (key * 31 + Math.round(signal.at(to) * 1000)) % 1e9;
      }
    }
    return key;
  }
}
