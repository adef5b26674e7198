import { readFileSync } from 'node:fs';
import { readLayout } from '../core/document/file';
import { checkJob } from '../core/finding/check';
import { timeEdits } from './edit';
import { timeTrain } from './train';
import { timeVehicle } from './vehicle';
import type { Layout } from '../core/document/layout';

/** Every job of a layout judged for the first time. */
function timeFirstJudgement(layout: Layout): void {
  const start = process.hrtime.bigint();
  for (const id of Object.keys(layout.jobs)) checkJob(layout, id, {}, 'quick');
  const took = Number(process.hrtime.bigint() - start) / 1e6;
  process.stdout.write(`first judgement of ${Object.keys(layout.jobs).length} jobs: ${took.toFixed(0)} ms\n`);
}

// `node main.mjs LAYOUT`: what people wait for, timed on a layout.
const read = readLayout(readFileSync(process.argv[2], 'utf8'));
if (!read.ok) throw new Error(read.complaints[0].reason);
timeFirstJudgement(read.layout);
timeEdits(read.layout);
timeTrain(read.layout);
timeVehicle();
