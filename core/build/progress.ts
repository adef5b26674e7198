import { anyJobIn } from '../document/jobs';
import { soldByLength, stockOf } from '../study/stock';
import type { Draft } from 'immer';
import type { Layout } from '../document/layout';
import type { ProgressRecord, TakenRecord } from '../document/progress-record';
import type { Task } from './order/task';

/** What is kept of a task; nothing done and nothing written where nothing is. */
export const keptOf = (progress: ProgressRecord, taskId: string): ProgressRecord['tasks'][string] =>
  Object.hasOwn(progress.tasks, taskId) ? progress.tasks[taskId] : { done: false, note: '', taken: [] };

/** Metres that were taken and came back are what they were. */
const inMicrometres = (count: number): number => Number(count.toFixed(6));

/** Stock by where it stands in a draft. */
function stockIn(
  draft: Draft<Layout>,
  { from, id }: Pick<TakenRecord, 'from' | 'id'>,
): { count: number } | null {
  const shelf = {
    resistors: draft.drawer.resistors,
    reservoirs: draft.drawer.reservoirs,
    sundries: draft.drawer.sundries,
  }[from as 'resistors' | 'reservoirs' | 'sundries'] as Record<string, { count: number }> | undefined;
  return shelf && Object.hasOwn(shelf, id) ? shelf[id] : null;
}

/** Keeps what was touched of a task, and forgets what says nothing. */
function keep(progress: Draft<ProgressRecord>, taskId: string, of: ProgressRecord['tasks'][string]): void {
  if (!of.done && of.note === '' && of.taken.length === 0) Reflect.deleteProperty(progress.tasks, taskId);
  else progress.tasks[taskId] = of as Draft<typeof of>;
}

/**
 * Ticks a task: what it uses goes out of the drawer, as far as it is there; unticked, exactly what it
 * took comes back.
 * @throws RangeError when the layout has no such job
 */
export function tick(
  draft: Draft<Layout>,
  jobId: string,
  task: Pick<Task, 'id' | 'uses'>,
  done: boolean,
): void {
  const { progress } = anyJobIn(draft, jobId);
  const known = keptOf(progress as ProgressRecord, task.id);
  if (known.done === done) return;
  const taken: TakenRecord[] = [];
  if (done) {
    for (const { key, count } of task.uses) {
      let wanted = count;
      for (const stock of stockOf(draft as Layout, key)) {
        const own = stockIn(draft, stock)!;
        const took = Math.min(wanted, soldByLength(key) ? own.count : Math.floor(own.count));
        if (took <= 0) continue;
        own.count = inMicrometres(own.count - took);
        wanted -= took;
        taken.push({ from: stock.from, id: stock.id, count: took });
      }
    }
  } else
    for (const t of known.taken) {
      const own = stockIn(draft, t);
      if (own) own.count = inMicrometres(own.count + t.count);
    }
  keep(progress, task.id, { ...known, done, taken });
}

/** Writes a note to a task. */
export function writeNote(draft: Draft<Layout>, jobId: string, taskId: string, note: string): void {
  const { progress } = anyJobIn(draft, jobId);
  keep(progress, taskId, { ...keptOf(progress as ProgressRecord, taskId), note });
}

/** The first task that is not done; null when all are. */
export const nextTask = (tasks: readonly Task[], progress: ProgressRecord): Task | null =>
  tasks.find((t) => !keptOf(progress, t.id).done) ?? null;
