import { change } from '../core/document/patch';
import { coachIn, coachesOf } from '../core/kinds/coach/jobs';
import type { CoachRecord as Job } from '../core/kinds/coach/record';
import type { Layout } from '../core/document/layout';
import { inOrder } from '../core/document/in-order';
import { equalPlacing } from '../core/kinds/coach/equal-placing';
import { placeLamps } from '../core/kinds/coach/place-lamps';
import { hangLamps } from '../core/kinds/coach/hang-lamps';
import { trainStudy } from '../core/study/train';
import { trainInrush } from '../core/study/train-inrush';
import { lampType } from '../core/document/lamp-type';
import type { Draft } from 'immer';

const COACHES = 12;
const LAMPS = 6;
const WARM_UP = 20;
const EDITS = 60;
const RAKE = 'rake';

/** How long a 12-coach train takes to be solved first and at edits, and placing two rows of eight. */
export function timeTrain(layout: Layout): void {
  const first = coachesOf(layout)[0];
  const rake = rakeOf(layout, first.id);
  const ids = Object.keys(rake.jobs);
  const supplyId = first.supplyId;
  const edits: Record<string, (draft: Draft<Layout>, i: number) => void> = {
    'a resistor of one coach': (d, i) => {
      inOrder(coachIn(d, ids[i % COACHES]).circuits).forEach((g) => {
        coachIn(d, ids[i % COACHES]).circuits[g.id].ohms = 1000 + 13 * i;
      });
    },
    'a lamp of one coach moved': (d, i) => {
      const [lamp] = Object.values(coachIn(d, ids[i % COACHES]).lamps);
      lamp.placeMillimetres = 15 + ((i * 7) % 60) / 10;
    },
    'a partition of one coach moved': (d, i) => {
      const [room] = Object.values(coachIn(d, ids[i % COACHES]).interior.rooms);
      room.endMillimetres = 8 + (i % 20) / 10;
    },
    'the voltage of the supply, all coaches': (d, i) => {
      const supply = d.supplies[supplyId];
      if (supply.kind === 'dcc-track') supply.amplitudeVolts = 13 + (i % 20) / 10;
    },
    'two coaches change places': (d, i) => {
      const { cars } = d.trains[RAKE];
      const [a, b] = [`car-${(i % 11) + 1}`, `car-${(i % 11) + 2}`];
      [cars[a].order, cars[b].order] = [cars[b].order, cars[a].order];
    },
  };
  // Nothing of it has been solved before: every coach, and all of them charging on one source.
  const timed = (ask: () => unknown): string => {
    const start = process.hrtime.bigint();
    ask();
    return (Number(process.hrtime.bigint() - start) / 1e6).toFixed(0);
  };
  const solved = timed(() => trainStudy(rake, RAKE));
  const charged = timed(() => trainInrush(rake, RAKE));
  process.stdout.write(
    `${COACHES} unlike coaches of ${LAMPS} lamps, first solved in ${solved} ms, charging together in ${charged} ms more\n`,
  );
  for (const [what, recipe] of Object.entries(edits)) {
    let at = rake;
    const times: number[] = [];
    for (let i = 0; i < WARM_UP + EDITS; i++) {
      const start = process.hrtime.bigint();
      at = change(at, (draft) => recipe(draft, i)).layout;
      trainStudy(at, RAKE);
      if (i >= WARM_UP) times.push(Number(process.hrtime.bigint() - start) / 1e6);
    }
    times.sort((a, b) => a - b);
    const say = (share: number): string => times[Math.floor(share * (times.length - 1))].toFixed(1);
    process.stdout.write(
      `${COACHES} coaches of ${LAMPS} lamps, ${what}: median ${say(0.5)} ms, 95 % within ${say(0.95)} ms, longest ${say(1)} ms\n`,
    );
  }
  const job = coachIn(layout, first.id);
  const start = process.hrtime.bigint();
  const like = Object.values(job.lamps)[0];
  const placed = placeLamps(job, {
    led: lampType(layout, like.part),
    tint: like.tint,
    aimDegrees: 0,
    perRow: [8, 8],
  });
  const took = Number(process.hrtime.bigint() - start) / 1e6;
  process.stdout.write(
    `two rows of eight placed in ${took.toFixed(0)} ms, least over mean ${Math.round(100 * placed.evenness)} %\n`,
  );
}

/** Twelve coaches like one of a layout, each a job of its own, in one train. */
function rakeOf(layout: Layout, jobId: string): Layout {
  const model = coachIn(layout, jobId);
  const jobs = Object.fromEntries(
    Array.from({ length: COACHES }, (_, i): [string, Job] => {
      const hung = change(layout, (draft) => {
        const circuitId = inOrder(model.circuits)[0].id;
        hangLamps(coachIn(draft, jobId), circuitId, equalPlacing(model, [LAMPS]));
      }).layout;
      const own = coachIn(hung, jobId);
      const circuits = inOrder(own.circuits).map((c) => [
        c.id,
        { ...own.circuits[c.id], ohms: 2200 + 150 * i },
      ]);
      return [
        `coach-${i + 1}`,
        structuredClone({ ...own, order: i + 1, circuits: Object.fromEntries(circuits) as Job['circuits'] }),
      ];
    }),
  );
  return {
    ...layout,
    jobs,
    trains: {
      [RAKE]: {
        order: 1,
        name: 'Rake',
        note: '',
        staggerSeconds: 0,
        cars: Object.fromEntries(
          Object.keys(jobs).map((id, i) => [`car-${i + 1}`, { order: i + 1, jobId: id, turned: false }]),
        ),
      },
    },
  };
}
