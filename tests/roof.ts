import {
  mainLineId,
  putRectifier,
  putStage,
  stageOf,
  takeStage,
  type RectifierName,
} from '../core/document/line-stages';
import type { CircuitRecord, LineRecord, StageOf } from '../core/document/wiring-record';
import type { Layout } from '../core/document/layout';
import type { AnyJob } from '../core/kinds/records';
import { demoJob } from './generated';

/** The line that all lamps of a job on rails hang on. */
export const lineOf = (job: Pick<AnyJob, 'lines'>): LineRecord => job.lines[mainLineId(job)!];

/** The line that all lamps of a coach hang on, in a layout or a draft of one. */
export const roofOf = (layout: Pick<Layout, 'jobs'>, jobId = demoJob): LineRecord =>
  lineOf(layout.jobs[jobId]);

/** A circuit of a job, in a layout or a draft of one. */
export const circuitOf = (layout: Pick<Layout, 'jobs'>, id: string, jobId = demoJob): CircuitRecord =>
  layout.jobs[jobId].circuits[id];

type Stage<K extends Parameters<typeof stageOf>[1]> = Partial<StageOf<K>> | null;

/** What stands in a line, changed: null takes a stage out, figures change or put it, what is left out stays. */
export interface Conditioning {
  readonly rectifier?: RectifierName;
  readonly chargeResistor?: Stage<'charge'>;
  readonly chargeDiode?: boolean;
  readonly reservoir?: Stage<'reservoir'>;
  readonly regulator?: Stage<'regulator'>;
}

/** Changes what stands in the line that all lamps of a job hang on. */
export function condition(job: Pick<AnyJob, 'lines'>, set: Conditioning): void {
  const line = lineOf(job);
  const put = <K extends 'charge' | 'reservoir' | 'regulator'>(
    kind: K,
    usual: Omit<StageOf<K>, 'kind' | 'order'>,
    to: Stage<K> | undefined,
  ): void => {
    if (to === undefined) return;
    if (to === null) takeStage(line, kind);
    else putStage(line, kind, { ...usual, ...stageOf(line, kind), ...to } as typeof usual);
  };
  if (set.rectifier !== undefined) putRectifier(line, set.rectifier);
  put('charge', { ohms: 100, ratedWatts: 0.5, beside: false }, set.chargeResistor);
  if (set.chargeDiode !== undefined) put('charge', stageOf(line, 'charge')!, { beside: set.chargeDiode });
  put('reservoir', { farads: 470e-6, ratedVolts: 35 }, set.reservoir);
  put('regulator', { outVolts: 12, dropoutVolts: 0.3, quiescentAmps: 0.0005 }, set.regulator);
}
