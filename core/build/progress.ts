import { anyJobIn } from '../document/jobs';
import { soldByLength, stockOf } from '../study/stock';
import type { Draft } from 'immer';
import type { Layout } from '../document/layout';
import type { ProgressRecord, TakenRecord } from '../document/progress-record';
import type { Task } from './order/task';

/** What is kept of tasks: by their ids, and the ids of those that they stand for. */
export type Ticked = Pick<Task, 'id'> & Partial<Pick<Task, 'formerly'>>;
type Kept = ProgressRecord['tasks'][string];

/**
 * What is kept of a task; nothing done and nothing written where nothing is. One that stands for several is
 * done when all of them were, and has their notes and what they took.
 */
export function keptOf(progress: ProgressRecord, { id, formerly = [] }: Ticked): Kept {
  if (Object.hasOwn(progress.tasks, id)) return progress.tasks[id];
  const old = formerly.filter((f) => Object.hasOwn(progress.tasks, f)).map((f) => progress.tasks[f]);
  return {
    done: formerly.length > 0 && old.length === formerly.length && old.every((o) => o.done),
    note: old.flatMap((o) => (o.note === '' ? [] : [o.note])).join('; '),
    taken: old.flatMap((o) => o.taken),
  };
}

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
function keep(progress: Draft<ProgressRecord>, { id, formerly = [] }: Ticked, of: Kept): void {
  for (const old of formerly) Reflect.deleteProperty(progress.tasks, old);
  if (!of.done && of.note === '' && of.taken.length === 0) Reflect.deleteProperty(progress.tasks, id);
  else progress.tasks[id] = of as Draft<typeof of>;
}

/**
 * Ticks a task: what it uses goes out of the drawer, as far as it is there; unticked, exactly what it
 * took comes back.
 * @throws RangeError when the layout has no such job
 */
export function tick(
  draft: Draft<Layout>,
  jobId: string,
  task: Ticked & Pick<Task, 'uses'>,
  done: boolean,
): void {
  const { progress } = anyJobIn(draft, jobId);
  const known = keptOf(progress as ProgressRecord, task);
  if (known.done === done) return;
  // What some of those it stands for took already is not taken again.
  const taken: TakenRecord[] = done ? [...known.taken] : [];
  if (done) {
    for (const { key, count } of task.uses) {
      const stocks = stockOf(draft as Layout, key);
      const has = known.taken.filter((t) => stocks.some((s) => s.from === t.from && s.id === t.id));
      let wanted = count - has.reduce((sum, t) => sum + t.count, 0);
      for (const stock of stocks) {
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
  keep(progress, task, { ...known, done, taken });
}

/** Writes a note to a task. */
export function writeNote(draft: Draft<Layout>, jobId: string, task: Ticked, note: string): void {
  const { progress } = anyJobIn(draft, jobId);
  keep(progress, task, { ...keptOf(progress as ProgressRecord, task), note });
}

/** The first task that is not done; null when all are. */
export const nextTask = (tasks: readonly Task[], progress: ProgressRecord): Task | null =>
  tasks.find((t) => !keptOf(progress, t).done) ?? null;
