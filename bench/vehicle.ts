import { change } from '../core/document/patch';
import { emptyLayout } from '../core/document/empty-layout';
import { locomotiveIn } from '../core/kinds/locomotive/jobs';
import { putStage } from '../core/document/line-stages';
import { usualSupply } from '../core/document/usual-supply';
import { newLocomotive } from '../core/kinds/locomotive/make';
import { shortestProof } from '../core/study/shortest-proof';
import { throttleSweep } from '../core/study/throttle-sweep';
import { truthTable } from '../core/study/truth-table';
import { benchOf } from '../core/study/bench';
import type { Layout } from '../core/document/layout';

const WARM_UP = 30;
const EDITS = 80;

/** How long all states, the throttle sweep and the shortest proof of a vehicle with 16 lamps take. */
export function timeVehicle(): void {
  const decoder = sixteen({ type: 'many', plug: '21-pin' });
  const rails = sixteen(null);
  const smoothed = change(decoder, (draft) => {
    const [line] = Object.values(locomotiveIn(draft, 'locomotive').lines);
    putStage(line, 'bridge', { diode: 'silicon', loose: false });
    putStage(line, 'charge', { ohms: 100, ratedWatts: 0.25, beside: false });
    putStage(line, 'reservoir', { farads: 220e-6, ratedVolts: 25 });
  }).layout;
  const states = truthTable(benchOf(decoder, 'locomotive')).rows.length;
  time(`16 lamps on a decoder, all ${states} states after an edit`, decoder, (l) =>
    truthTable(benchOf(l, 'locomotive')),
  );
  time(`the same with one reservoir, all ${states} states after an edit`, smoothed, (l) =>
    truthTable(benchOf(l, 'locomotive')),
  );
  time('16 lamps on the rails, both states after an edit', rails, (l) =>
    truthTable(benchOf(l, 'locomotive')),
  );
  time('16 lamps on the rails, throttle sweep of 201 points', rails, (l) =>
    throttleSweep(benchOf(l, 'locomotive')),
  );
  time(
    '16 lamps on a decoder, shortest proof',
    decoder,
    (l) => shortestProof(benchOf(l, 'locomotive')),
    3,
    10,
  );
}

/** A two-ended locomotive with eight lamps at each end. */
export function sixteen(decoder: { type: string; plug: string } | null): Layout {
  const tracks = change(emptyLayout('Timing'), (draft) => {
    draft.supplies.dc = usualSupply('dc-track', 'H0', 1);
    draft.supplies.dcc = usualSupply('dcc-track', 'H0', 2);
  }).layout;
  const { layout } = newLocomotive(tracks, {
    sort: 'diesel',
    name: 'Sixteen lamps',
    lengthMillimetres: 210,
    set: 'ditch',
    supply: { id: decoder ? 'dcc' : 'dc' },
    topology: 'resistor-each',
    decoder,
  });
  return change(layout, (draft) => {
    const job = locomotiveIn(draft, 'locomotive');
    const lamps = Object.entries(job.lamps).filter(([, l]) => l.role === 'tail');
    for (const [id, lamp] of lamps) job.lamps[`${id}-more`] = { ...lamp, order: lamp.order + 50 };
  }).layout;
}

function time(
  what: string,
  layout: Layout,
  study: (layout: Layout) => unknown,
  warmUp = WARM_UP,
  edits = EDITS,
): void {
  const times: number[] = [];
  for (let i = 0; i < warmUp + edits; i++) {
    const edited = change(layout, (draft) => {
      const [lamp] = Object.values(locomotiveIn(draft, 'locomotive').lamps);
      lamp.ohms = 1000 + 7 * i;
    }).layout;
    const start = process.hrtime.bigint();
    study(edited);
    if (i >= warmUp) times.push(Number(process.hrtime.bigint() - start) / 1e6);
  }
  times.sort((a, b) => a - b);
  const say = (share: number): string => times[Math.floor(share * (times.length - 1))].toFixed(1);
  process.stdout.write(`${what}: median ${say(0.5)} ms, 95 % within ${say(0.95)} ms, longest ${say(1)} ms\n`);
}
