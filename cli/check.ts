import { inOrder } from '../core/document/in-order';
import { checkJob } from '../core/finding/check';
import { checkVehicle } from '../core/finding/locomotive/check-vehicle';
import { checkTrain } from '../core/finding/train/check-train';
import { trainInrush } from '../core/study/train-inrush';
import { trainStudy } from '../core/study/train';
import { wordsAndOptions } from './file';
import { jobIds, readLayoutFile } from './layout-file';

/** `hazel check FILE.hazel.json`: what needs attention; status 1 when something has to be stopped for. */
export function run(words: readonly string[]): number {
  const usage = 'hazel check FILE.hazel.json [--job ID] [--json]';
  const { file, options } = wordsAndOptions(words, usage, { json: 'flag', job: 'value' });
  const layout = readLayoutFile(file);
  const judged = jobIds(layout, options.get('job'), file).map((jobId) => ({
    jobId,
    findings: layout.jobs[jobId].kind === 'coach' ? checkJob(layout, jobId) : checkVehicle(layout, jobId),
  }));
  const trains =
    options.get('job') === undefined
      ? inOrder(layout.trains).map((t) => ({
          trainId: t.id,
          findings: checkTrain({
            layout,
            study: trainStudy(layout, t.id),
            inrush: trainInrush(layout, t.id),
          }),
        }))
      : [];
  if (options.has('json')) process.stdout.write(`${JSON.stringify([...judged, ...trains], null, 2)}\n`);
  else {
    const all = [
      ...judged.map((j) => ({ name: layout.jobs[j.jobId].name, findings: j.findings })),
      ...trains.map((t) => ({ name: layout.trains[t.trainId].name, findings: t.findings })),
    ];
    for (const { name, findings } of all) {
      process.stdout.write(`${name}: ${findings.length === 0 ? 'nothing needs attention' : ''}\n`);
      for (const f of findings) {
        process.stdout.write(`  ${f.severity.toUpperCase()} ${f.title}. ${f.sentence}\n`);
        for (const r of f.remedies) process.stdout.write(`       cure: ${r.label}\n`);
      }
    }
  }
  return [...judged, ...trains].some(({ findings }) => findings.some((f) => f.severity === 'stop')) ? 1 : 0;
}
