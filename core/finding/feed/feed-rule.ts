import type { Judgement } from '../finding';
import type { FeedStudy } from '../../feed/study';

/** One rule about the power under the boards: it compares, and solves nothing. One file a rule, listed in `index.ts`. */
export interface FeedRule {
  readonly id: string;
  judge(study: FeedStudy): Judgement[];
}

export const placePath = (id: string, ...rest: (string | number)[]): (string | number)[] => [
  'network',
  'nodes',
  id,
  ...rest,
];
export const runPath = (id: string, ...rest: (string | number)[]): (string | number)[] => [
  'network',
  'runs',
  id,
  ...rest,
];
