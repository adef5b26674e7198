import { Button, Progress, Skeleton } from 'antd';
import { useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { freeId } from '../../core/document/usual-supply';
import { kindOf } from '../../core/kinds';
import { recordFacts } from '../../core/kinds/records';
import { inOrder } from '../../core/document/in-order';
import { idOf } from '../shell/paths';
import type { Layout } from '../../core/document/layout';
import { patched } from '../../core/document/patch';
import { checkTrain } from '../../core/finding/train/check-train';
import { formatQuantity } from '../../core/quantity/format';

import { commonCar, isSeen, trainStudy, type CarMatch, type TrainStudy } from '../../core/study/train';
import { TrainStage } from '../drawings/train/train-stage';
import { InrushChart } from '../drawings/train/inrush-chart';
import { MatchView } from '../drawings/train/match-view';
import { NumberField } from '../fields/number-field';
import { SelectField } from '../fields/select-field';
import { TextField } from '../fields/text-field';
import { CarList } from '../panels/car-list';
import { FindingsPanel } from '../bench/findings-panel';
import { useLayoutStore } from '../store/layout-store';
import { useSearch } from '../workers/use-search';
import { useStudy } from '../workers/use-study';
import { useSolvedJobs } from '../store/use-solved-jobs';
import { useLineFaces } from '../kinds/use-fetched';
import { PreviewBand } from '../bench/preview-band';
import { NotFound } from './not-found';
import type { Remedy } from '../../core/finding/finding';
import '../bench/bench.css';
import './train.css';

/** A train as a whole. */
export function TrainPage() {
  const trainId = idOf(useParams().trainId);
  const layout = useLayoutStore((s) => s.layout);
  if (!layout || trainId === undefined || !Object.hasOwn(layout.trains, trainId)) return <NotFound />;
  return <Train key={trainId} layout={layout} trainId={trainId} />;
}

interface Matched {
  readonly carId: string;
  readonly before: readonly CarMatch[];
  readonly after: readonly CarMatch[];
}

function Train({ layout: open, trainId }: { readonly layout: Layout; readonly trainId: string }) {
  const edit = useLayoutStore((s) => s.edit);
  const apply = useLayoutStore((s) => s.apply);
  const navigate = useNavigate();
  const [preview, setPreview] = useState<{ remedy: Remedy; of: Layout } | null>(null);
  const [beside, setBeside] = useState<string | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const shown = preview?.of === open ? preview.remedy : null;
  const layout = shown ? patched(open, shown.patches) : open;
  const jobIds = Object.values(layout.trains[trainId].cars).map((c) => c.jobId);
  const ready = [...useSolvedJobs(layout, jobIds).values()].every((s) => s !== undefined);
  const faces = useLineFaces([...new Set(jobIds.map((id) => layout.jobs[id].kind))]);
  const inrush = useStudy('trainInrush', layout, { trainId }, 'slow');
  const drawn = useStudy('trainDraws', layout, { trainId }, 'soon');
  const match = useSearch('matchTrain', open, (l) => l);
  // While a change is being solved the train stands as it was.
  const [last, setLast] = useState<TrainStudy | null>(null);
  const draws = drawn.answer;
  const fresh = useMemo(
    () => (ready && draws ? trainStudy(layout, trainId, draws) : null),
    [ready, draws, layout, trainId],
  );
  if (fresh && fresh !== last) setLast(fresh);
  const study = fresh ?? last;
  if (!study || !faces) return <Skeleton active style={{ padding: 24 }} />;
  const findings = checkTrain({
    layout: open,
    study,
    inrush: inrush.stale ? null : inrush.answer,
  });
  const model = study.cars.find((c) => c.carId === beside) ?? commonCar(study) ?? study.cars[0];
  const onApply = (remedy: Remedy): void => {
    setPreview(null);
    setRefusal(apply(remedy.label, remedy.patches));
  };
  const startMatch = (carId: string): void => {
    setBeside(carId);
    match.start(() => ({ trainId, carId }));
  };
  const found = match.answer;
  const named = found && model?.job.name;
  return (
    <main className="train-page">
      <h1 className="visually-hidden">{study.train.name}</h1>
      <div style={{ position: 'relative' }}>
        <TrainStage study={study} name={study.train.name} scale={layout.scale} faces={faces} />
        <Totals layout={layout} study={study} />
        {shown && <PreviewBand remedy={shown} onKeep={onApply} onBack={() => setPreview(null)} />}
      </div>
      <div className="train-work">
        <section className="choices">
          <TextField
            label="Train"
            text={study.train.name}
            most={80}
            required
            onCommit={(name) =>
              edit('Name of the train', (draft) => void (draft.trains[trainId].name = name))
            }
          />
          <CarList
            study={study}
            beside={model?.carId ?? null}
            onBeside={setBeside}
            onEdit={(label, recipe) => edit(label, (draft) => recipe(draft.trains[trainId]))}
          />
          <SelectField<string>
            key={study.cars.length}
            label="Couple on"
            value={undefined}
            placeholder="which"
            options={inOrder(layout.jobs)
              .filter((j) => recordFacts(j.kind).onRails)
              .map((j) => ({ value: j.id, label: j.name }))}
            onChange={(jobId) =>
              edit(`${layout.jobs[jobId].name} coupled`, (draft) => {
                const { cars } = draft.trains[trainId];
                const orders = Object.values(cars).map((c) => c.order);
                // What heads trains goes first, everything else behind.
                const order = kindOf(layout.jobs[jobId].kind).heads
                  ? Math.min(1, ...orders) - 1
                  : 1 + Math.max(0, ...orders);
                const count = Object.keys(cars).length + 1;
                cars[freeId(cars, `car-${count}`)] = { order, jobId, turned: false };
              })
            }
          />
          <Button
            danger
            onClick={() => {
              edit(`${study.train.name} broken up`, (draft) => {
                Reflect.deleteProperty(draft.trains, trainId);
              });
              void navigate('/');
            }}
          >
            Break the train up
          </Button>
        </section>
        <section className="train-pictures">
          <h2>How they look together</h2>
          {model ? (
            <>
              <MatchView study={study} beside={model.carId} onBeside={setBeside} />
              <div className="place-search" data-testid="match">
                {match.share !== null ? (
                  <>
                    <Progress percent={Math.round(100 * match.share)} size="small" strokeColor="#3e5b4f" />
                    <Button onClick={match.cancel}>Stop</Button>
                  </>
                ) : found ? (
                  <>
                    <p>
                      Beside {named}: {outcome(study, { ...found, carId: model.carId })}
                    </p>
                    <span className="button-row">
                      <Button
                        type="primary"
                        disabled={found.patches.length === 0}
                        onClick={() => onApply({ label: `All matched to ${named}`, patches: found.patches })}
                      >
                        Match them
                      </Button>
                      <Button
                        disabled={found.patches.length === 0}
                        onClick={() =>
                          setPreview({
                            remedy: { label: `All matched to ${named}`, patches: found.patches },
                            of: open,
                          })
                        }
                      >
                        Look first
                      </Button>
                    </span>
                  </>
                ) : (
                  <>
                    <p>Lamps, tints and resistors of the others, to look like {model.job.name}.</p>
                    <Button disabled={!model.look?.xy} onClick={() => startMatch(model.carId)}>
                      Match all to this one
                    </Button>
                  </>
                )}
              </div>
              {match.failure && <p className="field-refusal">{match.failure}</p>}
            </>
          ) : (
            <p className="hint">Couple a coach, and its light is set beside the others’.</p>
          )}
          <h2>When the power comes on</h2>
          <div className="two-fields">
            <NumberField
              label="Vehicles charge after one another by"
              unit="second"
              figure={study.train.staggerSeconds}
              limits={{ least: 0, most: 10, range: '0 s to 10 s' }}
              onCommit={(seconds) =>
                edit('Stagger', (draft) => void (draft.trains[trainId].staggerSeconds = seconds))
              }
            />
          </div>
          {(inrush.answer ?? []).map((rush) => (
            <InrushChart
              key={rush.supplyId}
              name={layout.supplies[rush.supplyId]?.name ?? ''}
              rush={rush}
              stale={inrush.stale}
            />
          ))}
          {inrush.failure && <p className="field-refusal">{inrush.failure}</p>}
        </section>
        <FindingsPanel
          findings={findings}
          stale={inrush.stale}
          failure={refusal}
          previewed={shown}
          onPreview={(remedy) => setPreview(remedy ? { remedy, of: open } : null)}
          onApply={onApply}
        />
      </div>
    </main>
  );
}

/** How many coaches will look alike, and which still will not. */
function outcome(study: TrainStudy, { carId, before, after }: Matched): string {
  const differ = (matches: readonly CarMatch[]): CarMatch[] =>
    matches.filter((m) => m.carId !== carId && isSeen(m));
  const left = differ(after).map((m) => study.cars.find((c) => c.carId === m.carId)?.job.name);
  const names = [...new Set(left)].join(', ');
  const were = differ(before).length;
  return left.length === 0
    ? `${were} of ${study.cars.length - 1} differ now; then all look alike.`
    : `${were} of ${study.cars.length - 1} differ now, then ${left.length}: ${names}, whose lamps or supply do not reach it.`;
}

function Totals({ layout, study }: { readonly layout: Layout; readonly study: TrainStudy }) {
  return (
    <dl className="stage-figures">
      {study.draws
        .filter((d) => Object.hasOwn(layout.supplies, d.supplyId))
        .map((d) => (
          <div key={d.supplyId}>
            <dt>
              {layout.supplies[d.supplyId].name}, {d.cars} {d.cars === 1 ? 'vehicle' : 'vehicles'}
            </dt>
            <dd data-figure={`draw-${d.supplyId}`}>
              {formatQuantity(d.amps, 'amp')}
              {d.isRms && <small> RMS</small>}
              {d.bulbAmps !== null && <small> · bulbs {formatQuantity(d.bulbAmps, 'amp')}</small>}
            </dd>
          </div>
        ))}
    </dl>
  );
}
