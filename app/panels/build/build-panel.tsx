import { lazy, Suspense } from 'react';
import { Link } from 'react-router';
import { keptOf, nextTask } from '../../../core/build/progress';
import { minuteWords } from '../../../core/build/order/minutes';
import { anyJobIn } from '../../../core/document/jobs';
import { wireNames, wireOf, type WireName } from '../../../core/part/wire';
import { useOrder } from '../../drawings/build/use-order';
import { CountField } from '../../fields/count-field';
import { More } from '../../fields/more';
import { SelectField } from '../../fields/select-field';
import { atBenchPath, sheetPath } from '../../shell/paths';
import { useLayoutStore } from '../../store/layout-store';
import type { PanelProps } from '../../kinds/face';
import '../../drawings/build/build.css';

const MOST_AT_ONCE = 100;
const wireOptions = wireNames.map((w) => ({ value: w, label: wireOf(w).name }));

const Collisions = lazy(async () => ({
  default: (await import('../../drawings/build/collisions')).Collisions,
}));
const PassageFields = lazy(async () => ({
  default: (await import('../passage-fields')).PassageFields,
}));

const AlreadyFields = lazy(async () => ({
  default: (await import('./already-fields')).AlreadyFields,
}));
const SeatFields = lazy(async () => ({ default: (await import('./seat-fields')).SeatFields }));

/** How far the building is, what comes next, how many are built at once; wire and what it goes through. */
export function BuildPanel(props: PanelProps) {
  const { jobId, job } = props;
  const { answer } = useOrder(props);
  const edit = useLayoutStore((s) => s.edit);
  const tasks = answer?.ok ? answer.order.tasks : [];
  const done = tasks.filter((t) => keptOf(job.progress, t).done).length;
  const next = nextTask(tasks, job.progress);
  return (
    <div className="choices">
      <h2>Build it</h2>
      {answer && !answer.ok && (
        <Suspense fallback={null}>
          <Collisions collisions={answer.collisions} />
        </Suspense>
      )}
      {answer?.ok && (
        <>
          {/* Not the library's: its circles, steps and icons weigh 6 kB of the first load for one bar. */}
          <p className="tasks-done">
            <progress aria-label="Tasks done" value={done} max={tasks.length} /> {done} of {tasks.length}
          </p>
          <p className="next-task">
            {next ? (
              <>
                Next: <b>{next.does}</b>
              </>
            ) : (
              'All of it is done.'
            )}
          </p>
          <p className="hint">
            {minuteWords(answer.order.minutes)} in all; the tool is changed {answer.order.cost.toolChanges}{' '}
            times, {answer.order.plain.toolChanges} in the order the steps are thought of.
          </p>
        </>
      )}
      <div className="build-links">
        <Link className="big-link" to={atBenchPath(jobId)}>
          At the bench
          <small>one step at a time, with one hand</small>
        </Link>
        <Link className="big-link plain" to={sheetPath(jobId)}>
          Sheet
          <small>to print and pin up</small>
        </Link>
      </div>
      <CountField
        label="How many of it are built at once"
        count={job.progress.count}
        least={1}
        most={MOST_AT_ONCE}
        onCommit={(n) =>
          edit('How many are built', (draft) => void (anyJobIn(draft, jobId).progress.count = n))
        }
      />
      <SelectField<WireName>
        label="Wire to the lamps"
        value={job.wires.lamps}
        options={wireOptions}
        onChange={(wire) =>
          edit('Wire to the lamps', (draft) => void (anyJobIn(draft, jobId).wires.lamps = wire))
        }
      />
      <SelectField<WireName>
        label="Wire of the feed"
        value={job.wires.feed}
        options={wireOptions}
        onChange={(wire) =>
          edit('Wire of the feed', (draft) => void (anyJobIn(draft, jobId).wires.feed = wire))
        }
      />
      <More label="What is in the model already">
        <Suspense fallback={null}>
          <AlreadyFields {...props} />
        </Suspense>
      </More>
      <More label="Where things sit">
        <Suspense fallback={null}>
          <SeatFields {...props} />
        </Suspense>
      </More>
      <More label="What leads go through">
        <Suspense fallback={null}>
          <PassageFields {...props} />
        </Suspense>
      </More>
    </div>
  );
}
