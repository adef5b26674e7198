import { need, task, type Task } from '../task';
import type { Making } from '../making';

const OPEN = 3;

/** The body comes open first, and what is cut, filed or blackened is done while it is empty. */
export function bodyTasks({ bench, facts, lots, count }: Making): Task[] {
  const { job, layout } = bench;
  const opening = facts.opening(job);
  const made: Task[] = opening
    ? [
        task({
          id: 'open',
          does: opening.does,
          says: opening.says,
          tool: 'hands',
          position: 'closed',
          minutes: OPEN * count,
          caution: 'unplug',
        }),
      ]
    : [];
  const works = facts.works(layout, job);
  for (const work of works) {
    const own = lots.filter((l) => l.lamps.some((lamp) => work.lamps.includes(lamp.id)));
    const cuts = works.filter(
      (w) => w !== work && w.undone === 'cannot' && w.tool !== 'brush' && sameThing(w.lamps, work.lamps),
    );
    made.push(
      task({
        id: `work ${work.id}`,
        does: work.does,
        says: work.says,
        tool: work.tool,
        position: 'shell',
        minutes: work.minutes * count,
        dryMinutes: work.dryMinutes,
        undone: work.undone,
        lamps: work.lamps,
        caution:
          work.tool === 'drill' || work.tool === 'knife' ? 'eyes' : work.tool === 'iron' ? 'fumes' : null,
        needs: [
          ...(opening ? [need('open', 'the shell is worked on from inside')] : []),
          ...(work.tool === 'drill'
            ? own.map((l) => need(`test ${l.id}`, 'no hole for a lamp that is dead'))
            : []),
          ...(work.tool === 'brush'
            ? cuts.map((w) => need(`work ${w.id}`, 'drilling goes through paint'))
            : []),
        ],
      }),
    );
  }
  return made;
}

/** Whether two works are about the same lamps; one about none is about all. */
const sameThing = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === 0 || b.length === 0 || a.some((id) => b.includes(id));
