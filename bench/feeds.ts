import { change } from '../core/document/patch';
import { busAlong, putPlace, putRun } from '../core/feed/begin';
import { feedReading } from '../core/feed/reading';
import { FeedSolver } from '../core/feed/solve';
import type { Layout } from '../core/document/layout';

const TAPS = [250, 500, 1000, 2000, 4000] as const;
const RUNS = 5;
const EDITS = 15;
const PITCH = 250;

/** A bus with so many taps, lamps on each. */
function busOf(layout: Layout, taps: number): Layout {
  return change(layout, (draft) => {
    draft.boards = {};
    draft.network = { nodes: {}, runs: {} };
    busAlong(
      draft,
      Object.keys(draft.supplies).find((id) => draft.supplies[id].kind === 'layout-bus')!,
    );
    let before = Object.keys(draft.network.nodes)[0];
    for (let k = 1; k <= taps; k++) {
      const tap = putPlace(draft, `Tap ${k}`, { x: k * PITCH, y: 0 }, { kind: 'tap' });
      putRun(draft, before, tap, { wire: '50-0.25', millimetres: PITCH });
      const lamps = putPlace(
        draft,
        `Lamps ${k}`,
        { x: 0, y: 0 },
        { kind: 'lamps', count: 1, part: 'white-warm', ohms: 470 },
      );
      putRun(draft, tap, lamps, { millimetres: 100 });
      before = tap;
    }
  }).layout;
}

const median = (times: readonly number[]): number => [...times].sort((a, b) => a - b)[times.length >> 1];

/** How long a bus takes to be solved anew, and after an edit of one tap, by the number of its taps. */
export function timeFeeds(layout: Layout): void {
  for (const taps of TAPS) {
    const bus = busOf(layout, taps);
    const lamps = Object.entries(bus.network.nodes).filter(([, n]) => n.is.kind === 'lamps');
    const [last] = lamps[lamps.length - 1];
    const cold: number[] = [];
    const edits: number[] = [];
    let solver = new FeedSolver();
    for (let k = 0; k < RUNS; k++) {
      solver = new FeedSolver();
      const start = process.hrtime.bigint();
      feedReading(bus, solver);
      cold.push(Number(process.hrtime.bigint() - start) / 1e6);
    }
    // One edit after another, as a person makes them.
    for (let k = 0; k < EDITS; k++) {
      const edited = change(bus, (draft) => {
        const { is } = draft.network.nodes[last];
        if (is.kind === 'lamps') is.ohms = 500 + 10 * k;
      }).layout;
      const again = process.hrtime.bigint();
      feedReading(edited, solver);
      edits.push(Number(process.hrtime.bigint() - again) / 1e6);
    }
    process.stdout.write(
      `a bus of ${taps} taps: cold ${median(cold).toFixed(0)} ms, ${((1000 * median(cold)) / taps).toFixed(0)} us a tap; an edit of one ${median(edits).toFixed(0)} ms\n`,
    );
  }
}
