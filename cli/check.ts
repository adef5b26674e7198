import { checkJob } from '../core/finding/check';
import { wordsAndOptions } from './file';
import { jobIds, readLayoutFile } from './layout-file';

/** `hazel check FILE.hazel.json`: what needs attention; status 1 when something has to be stopped for. */
export function run(words: readonly string[]): number {
  const usage = 'hazel check FILE.hazel.json [--job ID] [--json]';
  const { file, options } = wordsAndOptions(words, usage, { json: 'flag', job: 'value' });
  const layout = readLayoutFile(file);
  const judged = jobIds(layout, options.get('job'), file).map((jobId) => ({
    jobId,
    findings: checkJob(layout, jobId),
  }));
  if (options.has('json')) process.stdout.write(`${JSON.stringify(judged, null, 2)}\n`);
  else {
    for (const { jobId, findings } of judged) {
      process.stdout.write(
        `${layout.jobs[jobId].name}: ${findings.length === 0 ? 'nothing needs attention' : ''}\n`,
      );
      for (const f of findings) {
        process.stdout.write(`  ${f.severity.toUpperCase()} ${f.title}. ${f.sentence}\n`);
        for (const r of f.remedies) process.stdout.write(`       cure: ${r.label}\n`);
      }
    }
  }
  return judged.some(({ findings }) => findings.some((f) => f.severity === 'stop')) ? 1 : 0;
}
