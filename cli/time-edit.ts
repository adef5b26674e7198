import { change } from '../core/document/patch';
import { inOrder } from '../core/document/layout';
import { benchOf } from '../core/study/bench';
import { steadyStudy } from '../core/study/steady';
import { windowLight } from '../core/study/window-light';
import { Complaint } from './complaint';
import { wordsAndOptions } from './file';
import { readLayoutFile } from './layout-file';

const WARM_UP = 30;
const EDITS = 200;

/** `hazel time-edit FILE.hazel.json`: how long an edit of the first job takes until it is solved again. */
export function run(words: readonly string[]): number {
  const { file } = wordsAndOptions(words, 'hazel time-edit FILE.hazel.json', {});
  const layout = readLayoutFile(file);
  const job = inOrder(layout.jobs)[0];
  const groupId = job && inOrder(job.groups)[0]?.id;
  if (!job || groupId === undefined) throw new Complaint(`${file}: there is no job with lamps to edit`);
  const times: number[] = [];
  let stored: Float64Array | undefined;
  for (let i = 0; i < WARM_UP + EDITS; i++) {
    const start = process.hrtime.bigint();
    const edited = change(
      layout,
      (draft) => void (draft.jobs[job.id].groups[groupId].ohms = 1000 + 17 * i),
    ).layout;
    const bench = benchOf(edited, job.id);
    const steady = steadyStudy(bench, stored);
    windowLight(bench.job, steady);
    stored = steady.stored;
    if (i >= WARM_UP) times.push(Number(process.hrtime.bigint() - start) / 1e6);
  }
  times.sort((a, b) => a - b);
  const at = (share: number): string => times[Math.floor(share * (times.length - 1))].toFixed(1);
  process.stdout.write(
    `an edit of ${job.name}, solved again: median ${at(0.5)} ms, 95 % within ${at(0.95)} ms, longest ${at(1)} ms\n`,
  );
  return 0;
}
