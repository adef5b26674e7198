import { sheetHtml } from '../core/build/sheet/html';
import { sheetMarkdown } from '../core/build/sheet/markdown';
import { sheetOf } from '../core/build/sheet/sheet';
import { checkJob } from '../core/finding/check';
import { benchOf } from '../core/study/bench';
import { shortestProof } from '../core/study/shortest-proof';
import { Complaint } from './complaint';
import { wordsAndOptions } from './file';
import { jobIds, readLayoutFile } from './layout-file';
import { print } from './print';

const USAGE = 'hazel sheet FILE.hazel.json --job ID [--html] [--proof]';

/** Prints the sheet for the bench of a job: as Markdown, or as a page with its drawing and templates. */
export function run(words: readonly string[]): number {
  const { file, options } = wordsAndOptions(words, USAGE, { job: 'value', html: 'flag', proof: 'flag' });
  const layout = readLayoutFile(file);
  const asked = options.get('job');
  if (asked === undefined) throw new Complaint(`--job is missing; usage: ${USAGE}`);
  const [jobId] = jobIds(layout, asked, file);
  const proof = options.has('proof') ? shortestProof(benchOf(layout, jobId)) : null;
  const sheet = sheetOf(layout, jobId, { findings: checkJob(layout, jobId), proof });
  print(options.has('html') ? sheetHtml(sheet) : sheetMarkdown(sheet));
  return 0;
}
