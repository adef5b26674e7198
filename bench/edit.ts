import { change, patched } from '../core/document/patch';
import { coachIn, coachesOf } from '../core/kinds/coach/jobs';
import type { Layout } from '../core/document/layout';
import { inOrder } from '../core/document/in-order';
import { usualSupply } from '../core/document/usual-supply';
import { benchOf } from '../core/study/bench';
import { replay, type RunControls } from '../core/study/live-run';
import { offerSchool, schools } from '../core/kinds/coach/schools';
import { usualReadings } from '../core/study/solver';
import { coachLight } from '../core/kinds/coach/light';
import { supplyKinds, type SupplyKindName } from '../core/supply';

const WARM_UP = 30;
const EDITS = 120;
const RUN_SECONDS = 10;
const RUN_SEED = 4;

/** How long an edit of each coach takes until it is solved again, by job and by supply, and a run. */
export function timeEdits(layout: Layout): void {
  const jobs = coachesOf(layout).filter((j) => inOrder(j.circuits)[0] !== undefined);
  for (const job of jobs) report(`an edit of ${job.name}`, timesOf(layout, job.id));
  const first = jobs[0];
  for (const kind of Object.keys(supplyKinds) as SupplyKindName[]) {
    const laid = onSupply(layout, first.id, kind);
    if (laid) report(`an edit of ${first.name} on ${supplyKinds[kind].name}`, timesOf(laid, first.id));
  }
  const controls: RunControls = {
    power: true,
    throttle: 1,
    direction: 'forward',
    kilometresPerHour: 60,
    stretches: [{ fromMillimetres: 0, toMillimetres: 900, kind: 'dirty' }],
  };
  const shortBase = change(layout, (draft) => {
    Object.assign(coachIn(draft, first.id).pickups, { wheelsPerRail: 1, baseMillimetres: 0 });
  }).layout;
  const start = process.hrtime.bigint();
  const samples = replay(
    { layout: shortBase, jobId: first.id, controls, loopMillimetres: 2000, seed: RUN_SEED },
    [],
    RUN_SECONDS,
  );
  const took = Number(process.hrtime.bigint() - start) / 1e6;
  const gaps = samples.filter((s, i) => i > 0 && !s.contact && samples[i - 1].contact).length;
  process.stdout.write(`a run of ${RUN_SECONDS} s with ${gaps} gaps, computed in ${took.toFixed(0)} ms\n`);
}

/** The job on a supply of another kind, by its plainest school; null where that cannot light it. */
function onSupply(layout: Layout, jobId: string, kind: SupplyKindName): Layout | null {
  const { layout: withSupply } = change(layout, (draft) => {
    draft.supplies['time-edit'] = usualSupply(kind, layout.scale, 99);
  });
  const offer = offerSchool(withSupply, jobId, { ...schools[0], lay: () => undefined }, 'time-edit');
  return offer.patches ? patched(withSupply, offer.patches) : null;
}

function timesOf(layout: Layout, jobId: string): number[] {
  const circuitId = inOrder(coachIn(layout, jobId).circuits)[0].id;
  const times: number[] = [];
  let stored: Float64Array | undefined;
  for (let i = 0; i < WARM_UP + EDITS; i++) {
    const start = process.hrtime.bigint();
    const edited = change(layout, (draft) => {
      const circuit = coachIn(draft, jobId).circuits[circuitId];
      circuit.ohms = 1000 + 17 * i;
      circuit.limiterAmps = 0.004 + 0.00005 * i;
    }).layout;
    const bench = benchOf(edited, jobId);
    const steady = usualReadings(bench, stored);
    coachLight(coachIn(edited, jobId), steady);
    stored = steady.stored;
    if (i >= WARM_UP) times.push(Number(process.hrtime.bigint() - start) / 1e6);
  }
  return times.sort((a, b) => a - b);
}

function report(what: string, times: readonly number[]): void {
  const at = (share: number): string => times[Math.floor(share * (times.length - 1))].toFixed(1);
  process.stdout.write(
    `${what}, solved again: median ${at(0.5)} ms, 95 % within ${at(0.95)} ms, longest ${at(1)} ms\n`,
  );
}
