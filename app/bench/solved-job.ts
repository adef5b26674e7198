import { useEffect, useMemo, useState } from 'react';
import { flushSync } from 'react-dom';
import { benchOf, type Bench } from '../../core/study/bench';
import { stateByHand } from '../../core/study/hand';
import { desk } from '../workers/desk';
import { textOf } from '../workers/use-study';
import { handOf, type JobHand } from '../store/run-store';
import { useLayoutStore } from '../store/layout-store';
import type { AnyJob, Layout } from '../../core/document/layout';
import type { Readings } from '../../core/study/readings';
import type { State } from '../../core/supply/state';

/** A job on the bench as its hand has set it, solved. Laid out and solved of one moment: they fit together. */
export interface Solved<J extends AnyJob = AnyJob> {
  readonly bench: Bench<J>;
  readonly state: State;
  /** Null while it is not solved yet, and where it cannot be; `failure` then says why. */
  readonly readings: Readings | null;
  readonly failure: string | null;
}

let last: {
  readonly layout: Layout;
  readonly jobId: string;
  readonly supplyId: string | undefined;
  readonly bench: Bench;
} | null = null;

/** Lays a job out on the supply a hand has set it on; the last one is kept. @throws RangeError */
function benchByHand(layout: Layout, jobId: string, { supplyId }: JobHand): Bench {
  const on = supplyId !== null && Object.hasOwn(layout.supplies, supplyId) ? supplyId : undefined;
  if (last?.layout !== layout || last.jobId !== jobId || last.supplyId !== on)
    last = { layout, jobId, supplyId: on, bench: benchOf(layout, jobId, { supplyId: on }) };
  return last.bench;
}

const ask = (bench: Bench, state: State): Promise<Readings> =>
  desk.ask('frame', bench.layout, { jobId: bench.jobId, supplyId: bench.supplyId, state }).answer;

/** The job as a kind's own face wants it. Its record says which kind it is; `kind` chose the face. */
const asOf = <J extends AnyJob>(solved: Solved): Solved<J> => solved as unknown as Solved<J>;

/** Solves a job beside the interface whenever it or its hand changes; meanwhile the last moment stands. */
export function useSolvedJob<J extends AnyJob>(layout: Layout, jobId: string, hand: JobHand): Solved<J> {
  const bench = benchByHand(layout, jobId, hand);
  const key = JSON.stringify(stateByHand(bench, hand.set));
  const now = useMemo(() => ({ bench, state: JSON.parse(key) as State }), [bench, key]);
  const [shown, setShown] = useState<Solved | null>(null);
  useEffect(() => {
    let current = true;
    const { state } = now;
    ask(now.bench, state).then(
      // At once, before what only follows it.
      (readings) => current && flushSync(() => setShown({ ...now, readings, failure: null })),
      (error: unknown) => current && setShown({ ...now, readings: null, failure: textOf(error) }),
    );
    return () => {
      current = false;
    };
  }, [now]);
  // What an edit asks for is asked when it is made, before anything is drawn.
  useEffect(
    () =>
      useLayoutStore.subscribe(({ layout: edited }, { layout: before }) => {
        if (!edited || edited === before || !Object.hasOwn(edited.jobs, jobId)) return;
        try {
          const own = handOf(jobId);
          const next = benchByHand(edited, jobId, own);
          void ask(next, stateByHand(next, own.set)).catch(() => undefined);
        } catch {
          // What cannot be laid out says so where it is drawn.
        }
      }),
    [jobId],
  );
  return asOf<J>(shown?.bench.jobId === jobId ? shown : { ...now, readings: null, failure: null });
}
