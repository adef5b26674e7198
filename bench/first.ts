import { checkJob } from '../core/finding/check';
import type { Layout } from '../core/document/layout';

/** Every job of a layout judged for the first time, with its cures tried. */
export function timeFirstJudgement(layout: Layout): void {
  const start = process.hrtime.bigint();
  for (const id of Object.keys(layout.jobs)) checkJob(layout, id, {}, 'quick');
  const took = Number(process.hrtime.bigint() - start) / 1e6;
  process.stdout.write(`first judgement of ${Object.keys(layout.jobs).length} jobs: ${took.toFixed(0)} ms\n`);
}
