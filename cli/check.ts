import { inOrder } from '../core/document/in-order';
import { checkJob } from '../core/finding/check';
import { causes, followersOf } from '../core/finding/follows';
import { judgeNetwork } from '../core/finding/feed/judge-network';
import { judgeRig } from '../core/finding/overhead';
import { judgeShared } from '../core/finding/supply';
import { checkTrain } from '../core/finding/train/check-train';
import { trainInrush } from '../core/study/train-inrush';
import { trainStudy } from '../core/study/train';
import { wordsAndOptions } from './file';
import { jobIds, readLayoutFile } from './layout-file';
import type { Finding } from '../core/finding/finding';
import { print } from './print';

/** `hazel check FILE.hazel.json`: what needs attention; status 1 when something has to be stopped for. */
export function run(words: readonly string[]): number {
  const usage = 'hazel check FILE.hazel.json [--job ID] [--json]';
  const { file, options } = wordsAndOptions(words, usage, { json: 'flag', job: 'value' });
  const layout = readLayoutFile(file);
  const judged = jobIds(layout, options.get('job'), file).map((jobId) => ({
    jobId,
    ...alone(() => checkJob(layout, jobId)),
  }));
  const trains =
    options.get('job') === undefined
      ? inOrder(layout.trains).map((t) => ({
          trainId: t.id,
          ...alone(() =>
            checkTrain({ layout, study: trainStudy(layout, t.id), inrush: trainInrush(layout, t.id) }),
          ),
        }))
      : [];
  const whole = options.get('job') === undefined;
  const feeds =
    whole && Object.keys(layout.network.nodes).length > 0
      ? [{ network: true, ...alone(() => judgeNetwork(layout)) }]
      : [];
  const rigs = whole
    ? inOrder(layout.rigs).map((r) => ({ rigId: r.id, ...alone(() => judgeRig(layout, r.id)) }))
    : [];
  const shared = whole ? [{ supplies: true, ...alone(() => judgeShared(layout)) }] : [];
  const everything = [...judged, ...trains, ...shared, ...feeds, ...rigs];
  if (options.has('json')) print(`${JSON.stringify(everything, null, 2)}\n`);
  else {
    const all = [
      ...judged.map((j) => ({ ...j, name: layout.jobs[j.jobId].name })),
      ...trains.map((t) => ({ ...t, name: layout.trains[t.trainId].name })),
      ...shared.map((s) => ({ ...s, name: 'What jobs share' })),
      ...feeds.map((f) => ({ ...f, name: 'The power under the boards' })),
      ...rigs.map((r) => ({ ...r, name: layout.rigs[r.rigId].name })),
    ];
    for (const { name, findings, failure } of all) {
      if (failure !== null) {
        print(`${name}: cannot be judged: ${failure}\n`);
        continue;
      }
      print(`${name}: ${findings.length === 0 ? 'nothing needs attention' : ''}\n`);
      for (const f of causes(findings)) {
        print(`  ${f.severity.toUpperCase()} ${f.title}. ${f.sentence}\n`);
        for (const r of f.remedies) print(`       cure: ${r.label}\n`);
        for (const g of followersOf(findings, f))
          print(`       with it: ${g.severity}: ${g.title}. ${g.sentence}\n`);
      }
    }
  }
  const stops = ({ findings, failure }: Judged): boolean =>
    failure !== null || findings.some((f) => f.severity === 'stop');
  return everything.some(stops) ? 1 : 0;
}

interface Judged {
  readonly findings: readonly Finding[];
  /** Why it could not be judged; null when it was. */
  readonly failure: string | null;
}

/** One job that cannot be laid out or solved does not keep the others from being judged. */
function alone(judge: () => Finding[]): Judged {
  try {
    return { findings: judge(), failure: null };
  } catch (error) {
    return { findings: [], failure: error instanceof Error ? error.message : String(error) };
  }
}
