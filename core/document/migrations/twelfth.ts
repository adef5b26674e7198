import { isPlain, mapped, type Plain } from './plain';

/** A task of the order of before that is done shows that these of today are, of which none was written down. */
const shown: readonly (readonly [RegExp, (of: string) => readonly string[]])[] = [
  [/^(?:leads|along|at-lamp|make-up|join|resistors|connect|socket|plug)(?: |$)/, () => ['cut']],
  [/^connect rails$/, () => ['pickups']],
  [/^retest /, () => ['cut', 'shrink bench']],
  [/^thread (.+)$/, (passage) => ['cut', 'shrink bench', `drill ${passage}`]],
  [
    /^(?:try|prove|dark|close|label)$/,
    () => ['cut', 'shrink bench', 'shrink inside', 'motor', 'program', 'cells'],
  ],
  [/^fix (.+)$/, (place) => ['cut', 'shrink bench', 'shrink inside', `place ${place}`]],
];

/** Holes for leads that were work on the body before, by its id. */
const drilledBefore = ['work drill-board', 'work drill-post', 'work drill'];
/** What leads go through that is drilled or filed for them. */
const made = ['hole', 'bore', 'slot'];
/** Tasks that are called otherwise. */
const renamed: Readonly<Record<string, string>> = { trim: 'tie' };

const isDone = (task: unknown): boolean => isPlain(task) && task.done === true;

function tasksNext(tasks: Plain, passages: Plain): Plain {
  const next: Plain = {};
  for (const [id, task] of Object.entries(tasks)) next[Object.hasOwn(renamed, id) ? renamed[id] : id] = task;
  const follows = Object.entries(tasks)
    .filter(([, task]) => isDone(task))
    .flatMap(([id]) => [
      ...shown.flatMap(([pattern, ids]) => {
        const found = pattern.exec(id);
        return found ? ids(found[1] ?? '') : [];
      }),
      ...(drilledBefore.includes(id)
        ? Object.entries(passages).flatMap(([p, of]) =>
            isPlain(of) && made.includes(String(of.kind)) ? [`drill ${p}`] : [],
          )
        : []),
    ]);
  for (const id of follows) if (!Object.hasOwn(next, id)) next[id] = { done: true, note: '', taken: [] };
  return next;
}

/** Version 12: wires are cut, sleeves shrunk, holes drilled and lamps placed by tasks of their own; what was done stays done. */
export const toTwelfth = (old: Plain): Plain => ({
  ...old,
  jobs: mapped(old.jobs, (job) =>
    isPlain(job.progress) && isPlain(job.progress.tasks)
      ? {
          ...job,
          progress: {
            ...job.progress,
            tasks: tasksNext(job.progress.tasks, isPlain(job.passages) ? job.passages : {}),
          },
        }
      : job,
  ),
  version: 12,
});
