import type { Layout } from '../../document/layout';
import type { TrainInrush } from '../../study/train-inrush';
import type { TrainStudy } from '../../study/train';
import type { Judgement } from '../finding';

/** What is judged about a train as a whole. */
export interface TrainBench {
  readonly layout: Layout;
  readonly study: TrainStudy;
  /** Null until it has been worked out: it takes longer than a frame. */
  readonly inrush: readonly TrainInrush[] | null;
}

/** One rule about trains: one file a rule, listed in `check-train.ts`. */
export interface TrainRule {
  readonly id: string;
  judge(bench: TrainBench): Judgement[];
}
