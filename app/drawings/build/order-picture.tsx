import { Button } from 'antd';
import { useState } from 'react';
import { missingParts } from '../../../core/build/lists/can-build';
import { possibleWithout } from '../../../core/build/order/order';
import { keptOf, tick, writeNote } from '../../../core/build/progress';
import { cautions, positions, tools, type Task } from '../../../core/build/order/task';
import { minuteWords } from '../../../core/build/sheet/tables';
import { CheckField } from '../../fields/check-field';
import { TextField } from '../../fields/text-field';
import { useLayoutStore } from '../../store/layout-store';
import { Collisions } from './collisions';
import { useOrder } from './use-order';
import type { PictureProps } from '../../kinds/face';
import './build.css';

/** The tasks in the order that works, to be ticked; pressed, one tells how, why it comes here, and takes a note. */
export function OrderPicture(props: PictureProps) {
  const { layout, jobId, job, solved } = props;
  const { answer, failure, stale } = useOrder(props);
  const [marked, setMarked] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const edit = useLayoutStore((s) => s.edit);
  if (failure) return <p className="field-refusal">{failure}</p>;
  if (!answer) return <p className="stale-note">Being put in order…</p>;
  if (!answer.ok) return <Collisions collisions={answer.collisions} />;
  const { tasks } = answer.order;
  const missing = missingParts(layout, solved.bench);
  const can = new Set(possibleWithout(answer.order, missing).map((t) => t.id));
  const waits = (t: Task): boolean => !can.has(t.id) && !keptOf(job.progress, t.id).done;
  const names = new Map(tasks.map((t) => [t.id, t.does]));
  return (
    <>
      {missing.size > 0 && (
        <CheckField
          label={`Mark what can go on while ${missing.size} parts are in the post`}
          checked={marked}
          onChange={setMarked}
        />
      )}
      <ol className={stale ? 'task-list stale' : 'task-list'} aria-label="Order of work">
        {tasks.map((t, i) => {
          const kept = keptOf(job.progress, t.id);
          const changed = i === 0 || tasks[i - 1].tool !== t.tool || tasks[i - 1].position !== t.position;
          return (
            <li key={t.id} className={kept.done ? 'done' : marked && waits(t) ? 'waits' : undefined}>
              {changed && (
                <p className="in-hand">
                  {tools[t.tool]}, {positions[t.position]}
                </p>
              )}
              <div className="task-head">
                <span className="task-number">{i + 1}</span>
                <CheckField
                  label={t.does}
                  checked={kept.done}
                  onChange={(on) =>
                    edit(on ? 'Task done' : 'Task not done', (draft) => tick(draft, jobId, t, on))
                  }
                />
                <span className="task-time">{minuteWords(t.minutes)}</span>
                <Button
                  type="text"
                  size="small"
                  aria-expanded={open === t.id}
                  onClick={() => setOpen(open === t.id ? null : t.id)}
                >
                  {open === t.id ? 'Less' : 'How'}
                  <span className="visually-hidden">: {t.does}</span>
                </Button>
              </div>
              {open === t.id && <TaskMore task={t} names={names} jobId={jobId} note={kept.note} />}
            </li>
          );
        })}
      </ol>
    </>
  );
}

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
        onCommit={(text) => edit('Note of a task', (draft) => writeNote(draft, jobId, task.id, text))}
      />
    </div>
  );
}
