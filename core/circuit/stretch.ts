import { EDGE_SECONDS, type Signal } from './waveform';
import type { Plan } from './plan';

/** Steps taken at least while a source moves between two corners. */
const MOVING_STEPS = 2;

/** The time between two corners of sources and switches, over which everything given runs on smoothly. */
export class Stretch {
  // Figures begin as NaN, so that the machine never takes one for a whole number and has to think again.
  from = NaN;
  to = NaN;
  /** A source or a switch moves in it. */
  moving = false;
  /** The quickest cycle of a source, in seconds; 0 where none has one. */
  readonly grain: number;
  /** The slowest period of a source; 0 where none has one. */
  readonly longestPeriod: number;
  /** Constant sources have no corners and follow no curve. */
  private readonly signals: readonly Signal[];

  constructor(private readonly plan: Plan) {
    this.signals = [...plan.voltages.signals, ...plan.currents.signals].filter((s) => s.period !== 0);
    const periods = this.signals.map((s) => s.period).filter((p) => Number.isFinite(p));
    const grains = this.signals.map((s) => s.grain).filter((g) => g > 0);
    this.grain = grains.length > 0 ? Math.min(...grains) : 0;
    this.longestPeriod = periods.length > 0 ? Math.max(...periods) : 0;
  }

  /**
   * Becomes the stretch that begins at a time and ends at the next corner.
   * @param stop where it ends at the latest
   * @param crumb corners nearer together than this count as one
   */
  begin(seconds: number, stop: number, crumb: number): void {
    let next = stop;
    let moving = false;
    for (const signal of this.signals) {
      let corner = signal.nextCorner(seconds);
      if (corner - seconds < crumb) corner = signal.nextCorner(corner);
      next = Math.min(next, corner);
    }
    if (stop - next < crumb) next = stop;
    for (const toggles of this.plan.switches.toggles) {
      for (const t of toggles) {
        if (t > seconds + 1e-15) next = Math.min(next, t);
        if (t + EDGE_SECONDS > seconds + 1e-13) next = Math.min(next, t + EDGE_SECONDS);
        if (t <= seconds + 1e-13 && t + EDGE_SECONDS > seconds + 1e-13) moving = true;
      }
    }
    for (const signal of this.signals) {
      const from = signal.at(seconds);
      const to = signal.at(next);
      // Rounding may put a corner a hair's breadth into the next slope.
      if (Math.abs(to - from) > 1e-6 * (Math.abs(from) + Math.abs(to))) moving = true;
    }
    this.from = seconds;
    this.to = next;
    this.moving = moving;
  }

  /** The step to begin a stretch with in which something moves, in seconds. */
  get firstStep(): number {
    return (this.to - this.from) / MOVING_STEPS;
  }

  /** The longest step in it, in seconds, and no longer than what is asked for. */
  longestStep(asked: number): number {
    let longest = asked;
    if (this.moving) longest = Math.min(longest, this.firstStep);
    for (const signal of this.signals) longest = Math.min(longest, signal.longestStep);
    return longest;
  }

  /** Whether a stretch that ends where this one does can come again before a run ends. */
  mayComeAgain(stop: number): boolean {
    return this.signals.some((s) => this.to + (s.grain || s.period) <= stop * 1.001);
  }
}
