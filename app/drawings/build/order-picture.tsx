import { Button } from 'antd';
import { lazy, memo, Suspense, useMemo, useState } from 'react';
import { missingParts } from '../../../core/build/lists/missing-parts';
import { possibleWithout } from '../../../core/build/order/possible';
import { keptOf, tick, writeNote } from '../../../core/build/progress';
import { cautions, positions, tools, type Task } from '../../../core/build/order/task';
import { minuteWords } from '../../../core/build/order/minutes';
import { CheckField } from '../../fields/check-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import { BeingOrdered } from './being-ordered';
import { useOrder } from './use-order';
import type { PictureProps } from '../../kinds/face';
import './build.css';

const Collisions = lazy(async () => ({ default: (await import('./collisions')).Collisions }));

/** The tasks in the order that works, to be ticked; pressed, one tells how, why it comes here, and takes a note. */
export function OrderPicture(props: PictureProps) {
  const { layout, jobId, job, solved } = props;
  const ordering = useOrder(props);
  const { answer, failure, stale } = ordering;
  const [marked, setMarked] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const order = answer?.ok ? answer.order : null;
  const missing = useMemo(() => missingParts(layout, solved.bench), [layout, solved.bench]);
  const can = useMemo(
    () => new Set(order && marked ? possibleWithout(order, missing).map((t) => t.id) : []),
    [order, marked, missing],
  );
  const names = useMemo(() => new Map(order?.tasks.map((t) => [t.id, t.does])), [order]);
  if (failure) return <p className="field-refusal">{failure}</p>;
  if (!answer) return <BeingOrdered {...ordering} />;
  if (!answer.ok)
    return (
      <Suspense fallback={null}>
        <Collisions collisions={answer.collisions} />
      </Suspense>
    );
  const { tasks } = answer.order;
  return (
    <>
      {missing.size > 0 && (
        <CheckField
          label={`Mark what can go on while ${missing.size === 1 ? '1 part is' : `${missing.size} parts are`} in the post`}
          checked={marked}
          onChange={setMarked}
        />
      )}
      <ol className={stale ? 'task-list stale' : 'task-list'} aria-label="Order of work">
        {tasks.map((t, i) => {
          const { done, note } = keptOf(job.progress, t);
          return (
            <TaskRow
              key={t.id}
              task={t}
              number={i + 1}
              jobId={jobId}
              changed={i === 0 || tasks[i - 1].tool !== t.tool || tasks[i - 1].position !== t.position}
              done={done}
              note={note}
              waits={marked && !done && !can.has(t.id)}
              open={open === t.id}
              names={names}
              onOpen={setOpen}
            />
          );
        })}
      </ol>
    </>
  );
}

interface TaskRowProps extends TaskMoreProps {
  readonly number: number;
  /** Another tool is in the hand than for the task before, or the model lies otherwise. */
  readonly changed: boolean;
  readonly done: boolean;
  /** It cannot be done until what is in the post has come. */
  readonly waits: boolean;
  readonly open: boolean;
  readonly onOpen: (taskId: string | null) => void;
}

/** A task of the list; one that has not changed is not drawn again when another is ticked. */
const TaskRow = memo(function TaskRow({
  task,
  number,
  changed,
  done,
  waits,
  open,
  onOpen,
  ...more
}: TaskRowProps) {
  const edit = useLayoutStore((s) => s.edit);
  return (
    <li className={done ? 'done' : waits ? 'waits' : undefined}>
      {changed && (
        <p className="in-hand">
          {tools[task.tool]}, {positions[task.position]}
        </p>
      )}
      <div className="task-head">
        <span className="task-number">{number}</span>
        <CheckField
          label={task.does}
          checked={done}
          onChange={(on) =>
            edit(on ? 'Task done' : 'Task not done', (draft) => tick(draft, more.jobId, task, on))
          }
        />
        <span className="task-time">{minuteWords(task.minutes)}</span>
        <Button type="text" size="small" aria-expanded={open} onClick={() => onOpen(open ? null : task.id)}>
          {open ? 'Less' : 'How'}
          <span className="visually-hidden">: {task.does}</span>
        </Button>
      </div>
      {open && <TaskMore task={task} {...more} />}
    </li>
  );
});

interface TaskMoreProps {
  readonly task: Task;
  readonly names: ReadonlyMap<string, string>;
  readonly jobId: string;
  readonly note: string;
}

/** How a task is done, why it comes where it does, and what was noted of it. */
function TaskMore({ task, names, jobId, note }: TaskMoreProps) {
  const edit = useLayoutStore((s) => s.edit);
  return (
    <div className="task-body">
      <p>{task.says}</p>
      {task.caution && <p className="caution">{cautions[task.caution]}</p>}
      {task.dryMinutes > 0 && <p>Then {minuteWords(task.dryMinutes)} to dry.</p>}
      {task.undone === 'cannot' && <p className="undo cannot">Cannot be undone.</p>}
      {task.needs.length > 0 && (
        <ul>
          {task.needs.map((n) => (
            <li key={n.task}>
              After “{names.get(n.task)}”: {n.because}.
            </li>
          ))}
        </ul>
      )}
      <TextField
        label="Note"
        text={note}
        most={400}
        lines={2}
        onCommit={(text) => edit('Note of a task', (draft) => writeNote(draft, jobId, task, text))}
      />
    </div>
  );
}
