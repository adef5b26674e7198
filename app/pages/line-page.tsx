import { Button, Radio } from 'antd';
import { lazy, Suspense, useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { kindOf } from '../../core/kinds';
import { recordFacts } from '../../core/kinds/records';
import { freeId } from '../../core/document/usual-supply';
import { inOrder } from '../../core/document/in-order';
import { trainStudy, type TrainStudy } from '../../core/study/train';
import { formatQuantity } from '../../core/quantity/format';
import { LoadBars, type Load } from '../fields/load-bars';
import { kindNames, kindRows } from '../kinds';
import { useLineFaces } from '../kinds/use-fetched';
import { newPath, trainPath } from '../shell/paths';
import { useLayoutStore } from '../store/layout-store';
import { useSolvedJobs } from '../store/use-solved-jobs';
import { useStudy } from '../workers/use-study';
import { CardState } from './card-state';
import { useLastGlows } from './line/use-last-glows';
import { WhatToLight } from './new-page';
import { JobCard } from './job-card';
import { sumWhere, type SupplySum } from '../../core/feed/supply-sum';
import { isLitAt } from '../../core/study/evening';
import type { Layout } from '../../core/document/layout';
import './line.css';

type LineView = 'plan' | 'row';
const Dusk = lazy(async () => ({ default: (await import('../drawings/dusk')).Dusk }));
const SharedFindings = lazy(async () => ({
  default: (await import('./line/shared-findings')).SharedFindings,
}));
const LinePlan = lazy(async () => ({ default: (await import('./line/line-plan')).LinePlan }));
const EveningPanel = lazy(async () => ({ default: (await import('./line/evening-panel')).EveningPanel }));

/** The layout at a glance: everything lit as it would look at dusk, what it draws, what needs attention. */
export function LinePage() {
  const layout = useLayoutStore((s) => s.layout)!;
  const edit = useLayoutStore((s) => s.edit);
  const navigate = useNavigate();
  const all = inOrder(layout.jobs);
  const solved = useSolvedJobs(
    layout,
    all.map((j) => j.id),
  );
  const glowOf = useLastGlows(
    solved,
    all.map((j) => j.id),
  );
  const boarded = Object.keys(layout.boards).length > 0;
  const [view, setView] = useState<LineView>('plan');
  const [isEvening, setIsEvening] = useState(false);
  const [minutes, setMinutes] = useState(0);
  const kinds = kindNames.filter((k) => all.some((j) => j.kind === k));
  const faces = useLineFaces(kinds);
  const sums = useStudy('supplySums', layout, {}, 'soon').answer;
  const known = all.flatMap((j) => solved.get(j.id) ?? []);
  const ready = known.length;
  const trains = useMemo(
    () =>
      inOrder(layout.trains).flatMap((t): TrainStudy[] =>
        // A train is shown when all of it has been solved.
        Object.values(t.cars).every((c) => solved.get(c.jobId))
          ? [trainStudy(layout, t.id, sums?.trains[t.id] ?? [])]
          : [],
      ),
    // What has been solved is kept by the layout; how many of it are there tells when to look again.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [layout, ready, sums],
  );
  if (all.length === 0) return <WhatToLight layout={layout} />;
  const waiting = uncoupled(layout);
  return (
    <main className="line-page">
      <h1 className="visually-hidden">{layout.name}, the line</h1>
      {boarded && (
        <div className="line-bar">
          <Radio.Group
            aria-label="The line as"
            options={[
              { value: 'plan', label: 'In plan' },
              { value: 'row', label: 'In a row' },
            ]}
            optionType="button"
            buttonStyle="solid"
            value={view}
            onChange={(e) => setView(e.target.value as LineView)}
          />
          {view === 'plan' && (
            <Button aria-pressed={isEvening} onClick={() => setIsEvening(!isEvening)}>
              The evening
            </Button>
          )}
          <LoadBars loads={loadsOf(layout, sums?.sums ?? [], isEvening ? minutes : null)} />
        </div>
      )}
      {ready < all.length && (
        <div className="line-solving">
          <p role="status">
            Being solved: {ready} of {all.length}
          </p>
        </div>
      )}
      {boarded && view === 'plan' ? (
        <Suspense fallback={<div className="dusk" />}>
          <LinePlan layout={layout} glowOf={glowOf} atMinutes={isEvening ? minutes : null} />
          {isEvening && (
            <EveningPanel layout={layout} sums={sums?.sums ?? null} atMinutes={minutes} onAt={setMinutes} />
          )}
        </Suspense>
      ) : faces ? (
        <Suspense fallback={<div className="dusk" />}>
          <Dusk sums={sums?.sums ?? null} jobs={known} trains={trains} faces={faces} />
        </Suspense>
      ) : (
        <div className="dusk" />
      )}
      <Suspense>
        <SharedFindings layout={layout} />
      </Suspense>
      <section className="jobs">
        <div className="jobs-head">
          <h2>Trains</h2>
          <span className="button-row">
            <Button onClick={() => void navigate(trainPath(newTrain(layout, edit)))}>
              {waiting.length > 0 ? 'Make a train of the rest' : 'Make another train'}
            </Button>
            <Button type="primary" onClick={() => void navigate(newPath())}>
              Light something new
            </Button>
          </span>
        </div>
        {trains.length > 0 && (
          <ul className="job-list">
            {trains.map((t) => (
              <li key={t.trainId}>
                <TrainCard layout={layout} study={t} />
              </li>
            ))}
          </ul>
        )}
        {faces &&
          kinds.map((kind) => (
            <KindCards key={kind} layout={layout} kind={kind} solved={solved} face={faces.get(kind)!} />
          ))}
      </section>
    </main>
  );
}

interface KindCardsProps {
  readonly layout: Layout;
  readonly kind: (typeof kindNames)[number];
  readonly solved: ReturnType<typeof useSolvedJobs>;
  readonly face: Parameters<typeof JobCard>[0]['face'];
}

/** The jobs of one kind. */
function KindCards({ layout, kind, solved, face }: KindCardsProps) {
  const navigate = useNavigate();
  return (
    <>
      <div className="jobs-head">
        <h2>{kindRows[kind].plural}</h2>
        <Button type="primary" onClick={() => void navigate(newPath(kind))}>
          Light {kindRows[kind].one}
        </Button>
      </div>
      <ul className="job-list">
        {inOrder(layout.jobs)
          .filter((j) => j.kind === kind)
          .map((j) => (
            <li key={j.id}>
              <JobCard
                layout={layout}
                jobId={j.id}
                job={layout.jobs[j.id]}
                face={face}
                readings={solved.get(j.id)?.readings}
              />
            </li>
          ))}
      </ul>
    </>
  );
}

/** What each supply gives, everything lit as it is set or what is lit at a moment of the evening. */
const loadsOf = (layout: Layout, sums: readonly SupplySum[], atMinutes: number | null): Load[] =>
  sums.map((s) => ({
    ...s,
    id: s.supplyId,
    amps: sumWhere(s, (id) => atMinutes === null || isLitAt(layout.evening, id, atMinutes)),
  }));

type Edit = ReturnType<typeof useLayoutStore.getState>['edit'];

/** Jobs that a train is made of and that are in none. */
function uncoupled(layout: Layout): { readonly id: string }[] {
  const coupled = new Set(
    Object.values(layout.trains).flatMap((t) => Object.values(t.cars).map((c) => c.jobId)),
  );
  return inOrder(layout.jobs).filter(
    (j) => recordFacts(j.kind).onRails && !kindOf(j.kind).heads && !coupled.has(j.id),
  );
}

/** Couples what is in no train into a new one. @returns its id */
function newTrain(layout: Layout, edit: Edit): string {
  const id = freeId(layout.trains, 'train');
  const rest = uncoupled(layout);
  edit('New train', (draft) => {
    draft.trains[id] = {
      order: 1 + Math.max(0, ...Object.values(layout.trains).map((t) => t.order)),
      name: `Train ${Object.keys(layout.trains).length + 1}`,
      note: '',
      staggerSeconds: 0,
      cars: Object.fromEntries(
        rest.map((j, i) => [`car-${i + 1}`, { order: i + 1, jobId: j.id, turned: false }]),
      ),
    };
  });
  return id;
}

function TrainCard({ layout, study }: { readonly layout: Layout; readonly study: TrainStudy }) {
  const judged = useStudy('judgeTrain', layout, { trainId: study.trainId }, 'slow');
  const track = study.draws.filter((d) => d.limitAmps !== null);
  const amps = track.reduce((sum, d) => sum + d.amps, 0);
  return (
    <Link className="job-card" to={trainPath(study.trainId)}>
      <h3>{study.train.name}</h3>
      <div className="facts">
        <span>{study.draws.length > 0 ? formatQuantity(amps, 'amp') : '…'} from the track</span>
        <span>
          {study.cars.length} {study.cars.length === 1 ? 'vehicle' : 'vehicles'}
        </span>
        <span>{formatQuantity(study.lengthMillimetres, 'millimetre')}</span>
      </div>
      <CardState findings={judged.stale ? null : judged.answer} failure={judged.failure} />
    </Link>
  );
}
