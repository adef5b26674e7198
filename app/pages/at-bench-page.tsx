import { Button, Result } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { wiringDrawing, wiringSvg } from '../../core/build/drawing/wiring-drawing';
import { keptOf, tick } from '../../core/build/progress';
import { cautions, positions, tools, type Task } from '../../core/build/order/task';
import { minuteWords } from '../../core/build/order/minutes';
import { benchOf, type Bench } from '../../core/study/bench';
import { asWired } from '../../core/study/wired';
import { Collisions } from '../drawings/build/collisions';
import { Drawn } from '../drawings/build/drawn';
import { benchPath, idOf, sheetPath } from '../shell/paths';
import { useDryingStore, type Drying } from '../store/drying-store';
import { useLayoutStore } from '../store/layout-store';
import { BeingOrdered } from '../drawings/build/being-ordered';
import { useStudy } from '../workers/use-study';
import { NotFound } from './not-found';
import type { Layout } from '../../core/document/layout';
import '../drawings/build/build.css';
import './at-bench.css';

/** One step of the building at a time, for hands that hold an iron. */
export function AtBenchPage() {
  const jobId = idOf(useParams().jobId);
  const layout = useLayoutStore((s) => s.layout);
  if (!layout || jobId === undefined || !Object.hasOwn(layout.jobs, jobId)) return <NotFound />;
  return <Steps key={jobId} layout={layout} jobId={jobId} />;
}

interface StepsProps {
  readonly layout: Layout;
  readonly jobId: string;
}

function Steps({ layout, jobId }: StepsProps) {
  const ordering = useStudy('order', layout, { jobId });
  const { answer, failure } = ordering;
  const laid = useMemo((): Bench | string => {
    try {
      return benchOf(layout, jobId);
    } catch (error) {
      return error instanceof Error ? error.message : String(error);
    }
  }, [layout, jobId]);
  if (failure !== null || typeof laid === 'string')
    return <p className="field-refusal">{failure ?? String(laid)}</p>;
  if (!answer) return <BeingOrdered {...ordering} />;
  return (
    <main className="at-bench">
      <h1 className="visually-hidden">{layout.jobs[jobId].name} at the bench</h1>
      {answer.ok ? (
        <Step tasks={answer.order.tasks} layout={layout} jobId={jobId} bench={laid} />
      ) : (
        <div className="at-bench-none">
          <Collisions collisions={answer.collisions} />
          <Link to={benchPath(jobId, 'build')}>Back to the bench</Link>
        </div>
      )}
    </main>
  );
}

interface StepProps extends StepsProps {
  readonly tasks: readonly Task[];
  readonly bench: Bench;
}

/** Room for the drawing beside a step, in pixels. */
const DRAWING = 620;

/** The step at hand: the first that is not done, until another is looked at. */
function Step({ tasks, layout, jobId, bench }: StepProps) {
  const { progress, name } = layout.jobs[jobId];
  const edit = useLayoutStore((s) => s.edit);
  const begin = useDryingStore((s) => s.begin);
  const open = tasks.findIndex((t) => !keptOf(progress, t).done);
  const [looked, setLooked] = useState<number | null>(null);
  const [reads, setReads] = useState(false);
  const at = looked ?? (open < 0 ? tasks.length : open);
  const task = at < tasks.length ? tasks[at] : null;
  const drawing = useMemo(() => wiringDrawing(bench, DRAWING), [bench]);
  const svg = useMemo(
    () =>
      wiringSvg(drawing, {
        title: `Wiring of ${bench.job.name}`,
        lit: new Set(task && task.parts.length > 0 ? task.parts : litBy(task, bench)),
      }),
    [drawing, task, bench],
  );
  const done = task !== null && keptOf(progress, task).done;
  const finish = (): void => {
    if (!task) return;
    if (!done) {
      edit('Task done', (draft) => tick(draft, jobId, task, true));
      if (task.dryMinutes > 0)
        begin(jobId, { taskId: task.id, does: task.does, dryAt: Date.now() + 60_000 * task.dryMinutes });
    }
    // On to what is not done yet; only when nothing is left is it built.
    setLooked(null);
  };
  const back = (): void => setLooked(Math.max(0, at - 1));
  const undo = (): void => {
    if (task) edit('Task not done', (draft) => tick(draft, jobId, task, false));
  };
  useReading(reads && task ? `${task.does}. ${task.says}` : null);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.target instanceof HTMLInputElement || event.ctrlKey || event.metaKey) return;
      if (event.key === 'ArrowLeft') setLooked(Math.max(0, at - 1));
      else if (event.key === 'ArrowRight') setLooked(Math.min(tasks.length - 1, at + 1));
      else return;
      event.preventDefault();
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, [at, tasks.length]);
  return (
    <>
      <header className="at-bench-head">
        <Link to={benchPath(jobId, 'build')}>{name}</Link>
        <span role="status">{task ? `Step ${at + 1} of ${tasks.length}` : `All ${tasks.length} steps`}</span>
        {'speechSynthesis' in globalThis && (
          <Button aria-pressed={reads} onClick={() => setReads(!reads)}>
            {reads ? 'Stop reading aloud' : 'Read aloud'}
          </Button>
        )}
      </header>
      <DryingTimer jobId={jobId} />
      <section className="at-bench-step" aria-label="The step at hand">
        {task ? (
          <>
            <p className="in-hand">
              {tools[task.tool]}, {positions[task.position]}
              {done ? ' · done' : ''}
            </p>
            <h2>{task.does}</h2>
            <p className="says">{task.says}</p>
            {task.caution && <p className="caution">{cautions[task.caution]}</p>}
            {task.undone === 'cannot' && <p className="undo cannot">Cannot be undone.</p>}
            <p className="task-time">
              {minuteWords(task.minutes)}
              {task.dryMinutes > 0 && `, then ${minuteWords(task.dryMinutes)} to dry`}
            </p>
          </>
        ) : (
          <Result
            status="success"
            title="It is built"
            extra={<Link to={sheetPath(jobId)}>The sheet, for the box</Link>}
          />
        )}
      </section>
      <div className="at-bench-drawing" role="region" aria-label="Wiring" tabIndex={0}>
        <Drawn svg={svg} />
      </div>
      <div className="at-bench-keys">
        <Button size="large" disabled={at === 0} onClick={back}>
          Back
        </Button>
        {done ? (
          <Button size="large" onClick={undo}>
            Not done after all
          </Button>
        ) : null}
        <Button
          key={at}
          type="primary"
          size="large"
          className="done-key"
          autoFocus
          disabled={task === null}
          onClick={finish}
        >
          {done ? 'Next' : 'Done'}
        </Button>
      </div>
    </>
  );
}

/** The parts of the leads a task threads, or of its lamps. */
function litBy(task: Task | null, bench: Bench): string[] {
  if (!task) return [];
  const { assembly } = asWired(bench);
  if (task.threads.length > 0)
    return assembly.leads
      .filter((l) => l.through.some((p) => task.threads.includes(p)))
      .flatMap((l) => [l.from.part, l.to.part]);
  return assembly.parts.filter((p) => p.lamp !== null && task.lamps.includes(p.lamp)).map((p) => p.id);
}

/** Reads a text aloud, where the browser can; a new one breaks the old off. */
function useReading(text: string | null): void {
  useEffect(() => {
    if (text === null || !('speechSynthesis' in globalThis)) return;
    speechSynthesis.cancel();
    speechSynthesis.speak(new SpeechSynthesisUtterance(text));
    return () => speechSynthesis.cancel();
  }, [text]);
}

/** What dries, and how long yet. */
function DryingTimer({ jobId }: { readonly jobId: string }) {
  const drying = useDryingStore((s) => s.jobs[jobId]);
  const end = useDryingStore((s) => s.end);
  return drying ? <Clock key={drying.dryAt} drying={drying} onEnd={() => end(jobId)} /> : null;
}

function Clock({ drying, onEnd }: { readonly drying: Drying; readonly onEnd: () => void }) {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 1000);
    return () => clearInterval(timer);
  }, []);
  const left = Math.max(0, Math.ceil((drying.dryAt - now) / 1000));
  return (
    <div className={left === 0 ? 'drying dry' : 'drying'} role="timer">
      <b>{left === 0 ? 'Dry' : `${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}`}</b>
      <span>{drying.does}</span>
      <Button size="small" onClick={onEnd}>
        {left === 0 ? 'Good' : 'Stop the clock'}
      </Button>
    </div>
  );
}
