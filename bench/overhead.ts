import { change } from '../core/document/patch';
import { newRig } from '../core/overhead/begin';
import { rigLight } from '../core/overhead/light';
import { MOVED_STEP, rigStudy } from '../core/overhead/study';
import type { Layout } from '../core/document/layout';

const RUNS = 7;
const FINE = 10;

const median = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[times.length >> 1];

function timed(work: () => unknown): number {
  const times = Array.from({ length: RUNS }, () => {
    const start = process.hrtime.bigint();
    work();
    return Number(process.hrtime.bigint() - start) / 1e6;
  });
  return median(times);
}

/** How long the light of a rig takes: six rows over four boards at 10 mm, and as a row is dragged. */
export function timeOverhead(layout: Layout): void {
  const wish = {
    name: 'Rig',
    boards: [],
    widthMillimetres: 4000,
    depthMillimetres: 450,
    heightMillimetres: 450,
    wanted: 'overcast-noon',
  };
  const begun = newRig(layout, wish);
  const { layout: six } = change(begun.layout, (draft) => {
    const { rows } = draft.rigs[begun.rigId];
    const [first] = Object.values(begun.layout.rigs[begun.rigId].rows);
    for (let i = 1; i <= 6; i++) rows[`row-${i}`] = { ...first, order: i, depthMillimetres: 65 * i };
  });
  const rig = six.rigs[begun.rigId];
  const report = (what: string, ms: number): void =>
    void process.stdout.write(`${what}: ${ms.toFixed(1)} ms\n`);
  report(
    'four boards, six rows, at 10 mm',
    timed(() => rigLight(six, rig, { stepMillimetres: FINE })),
  );
  report(
    'the same with its copper',
    timed(() => rigStudy(six, begun.rigId, FINE)),
  );
  report(
    `the same as a row is dragged, at ${MOVED_STEP} mm`,
    timed(() => rigLight(six, rig, { stepMillimetres: MOVED_STEP })),
  );
}
