import { isPlain, jobsNext, mapped, type Plain } from './plain';

/** A line of version 10 that begins at the supply: at the job's own. */
const lineNext = (line: Plain): Plain =>
  isPlain(line.from) && line.from.kind === 'supply'
    ? { ...line, from: { supplyId: null, ...line.from } }
    : line;

/** A load of version 10 that was put on the plan by a rig of its name. */
function nodesNext(nodes: unknown, rigs: unknown): unknown {
  const byName = new Map(
    isPlain(rigs) ? Object.entries(rigs).map(([id, rig]) => [isPlain(rig) ? rig.name : null, id]) : [],
  );
  return mapped(nodes, (node) => {
    const rigId = byName.get(node.name);
    const isLoad = isPlain(node.is) && node.is.kind === 'typed';
    return rigId !== undefined && isLoad ? { ...node, is: { kind: 'rig', rigId } } : node;
  });
}

const jobNext = (job: Plain): Plain => ({ ...job, lines: mapped(job.lines, lineNext) });

/** Whether a variant of a job has other lines. */
const variesLines = (job: unknown): boolean =>
  isPlain(job) && isPlain(job.variants) && JSON.stringify(job.variants).includes('"lines"');

/** Every job with its lines; variants that have no other lines stay as they are. */
function jobsOf(old: Plain): unknown {
  if (!isPlain(old.jobs)) return old.jobs;
  const varying = Object.fromEntries(Object.entries(old.jobs).filter(([, job]) => variesLines(job)));
  return {
    ...(mapped(old.jobs, jobNext) as Plain),
    ...(jobsNext({ ...old, jobs: varying }, jobNext) as Plain),
  };
}

/** Version 11: lines on a supply of their own; rigs along any side of the boards, lit with others, and as loads of the plan. */
export const toEleventh = (old: Plain): Plain => ({
  ...old,
  jobs: jobsOf(old),
  rigs: mapped(old.rigs, (rig) => ({ backsceneAt: 'far', litWith: [], ...rig })),
  network: isPlain(old.network)
    ? { ...old.network, nodes: nodesNext(old.network.nodes, old.rigs) }
    : old.network,
  version: 11,
});
