import { need, task, type Task } from '../task';
import type { Making } from '../making';

const FIX = 1;
const CLOSE = 3;
const TRIM = 2;
/** Glue that bears handling (common practice, no source). */
const GLUE_DRIES = 20;

/** What cannot be undone comes last: leads are cut to length, lamps glued, the body closed. */
export function closingTasks(
  { bench, facts, places, lots, assembly, count }: Making,
  earlier: readonly Task[],
): Task[] {
  const { job } = bench;
  const opening = facts.opening(job);
  const last = earlier.some((t) => t.id === 'dark') ? 'dark' : 'prove';
  const made: Task[] = [];
  const fixed: string[] = [];
  for (const place of places) {
    const fixing = facts.fixing(job, place);
    const own = assembly.parts.filter((p) => p.place === place && p.lamp !== null);
    const lamps = [...new Set(own.flatMap((p) => p.lamp ?? []))];
    const dark = earlier.filter(
      (t) => t.tool === 'brush' && (t.lamps.length === 0 || t.lamps.some((l) => lamps.includes(l))),
    );
    fixed.push(`fix ${place}`);
    made.push(
      task({
        id: `fix ${place}`,
        does: fixing.does,
        says: fixing.says,
        tool: fixing.by === 'glue' ? 'glue' : 'hands',
        position: 'inside',
        minutes: FIX * lamps.length * count,
        dryMinutes: fixing.by === 'glue' ? GLUE_DRIES : 0,
        undone: fixing.by === 'glue' ? 'cannot' : 'can',
        parts: own.map((p) => p.id),
        lamps,
        needs: [
          need(last, fixing.by === 'glue' ? 'glue is for good' : 'what is fixed hides what is behind it'),
          ...dark.map((t) => need(t.id, 'nothing is glued into wet paint')),
          ...lots
            .filter((l) => l.lamps.some((x) => lamps.includes(x.id)))
            .map((l) => need(`test ${l.id}`, 'every lamp is tested before it is fixed')),
        ],
      }),
    );
  }
  made.push(
    task({
      id: 'trim',
      does: 'Cut the leads to length and tie them down',
      says: facts.slack(job) ?? 'Leave a loop where anything opens.',
      tool: 'knife',
      position: 'inside',
      minutes: TRIM * count,
      undone: 'cannot',
      caution: 'eyes',
      needs: [need(last, 'a wire cut short cannot be led another way')],
    }),
  );
  if (opening)
    made.push(
      task({
        id: 'close',
        does: opening.closes,
        says: 'Slowly: a wire under the edge is a wire cut.',
        tool: 'hands',
        position: 'closed',
        minutes: CLOSE * count,
        needs: [
          ...fixed.map((id) => need(id, 'lamps are out of reach once it is closed')),
          need('trim', 'loose wire is pinched'),
        ],
      }),
    );
  made.push(
    task({
      id: 'label',
      does: 'Label the box',
      says: 'What is inside, with its resistors, and this sheet folded into it.',
      tool: 'hands',
      position: 'closed',
      minutes: 1 * count,
      needs: [need(opening ? 'close' : 'trim', 'what is on the label is what was built')],
    }),
  );
  return made;
}
