import { readFileSync } from 'node:fs';
import { readLayout } from '../core/document/file';
import { timeEdits } from './edit';
import { timeFeeds } from './feeds';
import { timeFirstJudgement } from './first';
import { timeOverhead } from './overhead';
import { timeTrain } from './train';
import { timeVehicle } from './vehicle';
import type { Layout } from '../core/document/layout';

/** What people wait for, each timed in a process of its own. */
const parts: Readonly<Record<string, (layout: Layout) => void>> = {
  first: timeFirstJudgement,
  edit: timeEdits,
  train: timeTrain,
  vehicle: timeVehicle,
  feeds: timeFeeds,
  overhead: timeOverhead,
};

// `node main.mjs PART LAYOUT`
const read = readLayout(readFileSync(process.argv[3], 'utf8'));
if (!read.ok) throw new Error(read.complaints[0].reason);
parts[process.argv[2]](read.layout);
