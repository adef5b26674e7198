import { STAGE } from './tr-bdf2';

/** A step is followed on no farther than this many times the last one's length. */
const FARTHEST = 4;

/** First guesses for the unknowns of a step, from how they ran over the last one. The loops allocate nothing. */
export class Prediction {
  /** Length of the last step, in seconds; 0 where nothing runs on from it. */
  span = NaN;
  private readonly before: Float64Array;
  private readonly stage: Float64Array;

  /** @param size of the unknowns, the ground's with them */
  constructor(size: number) {
    this.before = new Float64Array(size);
    this.stage = new Float64Array(size);
    this.span = 0;
  }

  /** Notes an accepted step by the unknowns at its start and at its inner stage. */
  note(start: Float64Array, stage: Float64Array, span: number): void {
    this.before.set(start);
    this.stage.set(stage);
    this.span = span;
  }

  /**
   * The inner stage of a step that follows on: on along the parabola of the last one.
   * @param ahead of the start, in seconds
   */
  ofStage(x: Float64Array, start: Float64Array, ahead: number): void {
    const { before, stage, span } = this;
    const reach = ahead / span;
    if (!this.reaches(reach)) return;
    const bend = (reach * (1 + reach)) / (STAGE * (STAGE - 1));
    for (let i = 0; i < x.length - 1; i++) {
      const all = start[i] - before[i];
      x[i] = start[i] + reach * all + bend * (stage[i] - before[i] - STAGE * all);
    }
  }

  /**
   * The end of a step: on from its start and its inner stage, and from the step before where it follows on.
   * @param x the unknowns at the inner stage, which become those at the end
   */
  ofEnd(x: Float64Array, start: Float64Array, span: number, followsOn: boolean): void {
    const { before } = this;
    const earlier = this.span / span;
    const bend = followsOn && this.reaches(1 / earlier) ? (1 - STAGE) / (STAGE + earlier) : 0;
    for (let i = 0; i < x.length - 1; i++) {
      const slope = (x[i] - start[i]) / STAGE;
      x[i] = start[i] + slope + (bend === 0 ? 0 : bend * (slope - (start[i] - before[i]) / earlier));
    }
  }

  private reaches(reach: number): boolean {
    return this.span > 0 && reach <= FARTHEST;
  }
}
