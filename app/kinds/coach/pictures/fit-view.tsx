import { formatQuantity } from '../../../../core/quantity/format';
import { fitAnswers, TOUCH, type FitAnswer } from '../../../../core/kinds/coach/fit';
import { showingThrough } from '../../../../core/kinds/coach/showing';
import { CuttingPanel } from '../panels/cutting-panel';
import { FromAbove } from './from-above';
import { Section } from './section';
import type { CoachRecord as Job } from '../../../../core/kinds/coach/record';
import type { CoachPictureProps } from '../coach-props';
import './fit.css';

/** Whether it goes in: the answers in millimetres, the section, and the view from above. */
export function FitView({ layout, jobId, job }: CoachPictureProps) {
  const answers = fitAnswers(job);
  return (
    <div className="fit-view">
      <Answers answers={answers} />
      <FromAbove job={job} answers={answers} />
      <div className="fit-drawings">
        <Section job={job} />
        <div>
          <FromBesideTheTrack job={job} />
          <CuttingPanel layout={layout} jobId={jobId} />
        </div>
      </div>
    </div>
  );
}

const mm = (figure: number): string => formatQuantity(figure, 'millimetre', { significant: 3 });

function Answers({ answers }: { readonly answers: readonly FitAnswer[] }) {
  if (answers.length === 0)
    return (
      <p className="hint">
        Say what goes in: a board or strip, a cell, a switch. Then its room is told here.
      </p>
    );
  return (
    <table className="fit-answers">
      <thead>
        <tr>
          <th>Does it fit?</th>
          <th>there is</th>
          <th>it needs</th>
          <th>to spare</th>
        </tr>
      </thead>
      <tbody>
        {answers.map((a) => {
          const fits = a.spareMillimetres >= -TOUCH;
          return (
            <tr key={a.id} className={fits ? undefined : 'lacks'} data-fit={a.id}>
              <th scope="row">
                {a.question}
                {a.notches.length > 0 && (
                  <small>
                    {' '}
                    notch {mm(Math.max(...a.notches.map((n) => n.depthMillimetres)))}
                    {a.notches[0].into === 'board'
                      ? ' in both edges'
                      : ` in ${a.notches.length} × ${a.notches[0].into}`}
                  </small>
                )}
              </th>
              <td>{mm(a.hasMillimetres)}</td>
              <td>{mm(a.needsMillimetres)}</td>
              <td>{fits ? mm(a.spareMillimetres) : `−${mm(-a.spareMillimetres)}`}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** What an eye beside the track sees of what is inside, by its height. */
function FromBesideTheTrack({ job }: { readonly job: Job }) {
  const seen = new Map<string, ReturnType<typeof showingThrough>[number]>();
  for (const s of showingThrough(job)) {
    const before = seen.get(s.name);
    if (s.between && (!before || (s.shows && !before.shows))) seen.set(s.name, s);
  }
  const things = [...seen.values()].filter((s) => s.kind !== 'lamp');
  const lamp = [...seen.values()].find((s) => s.kind === 'lamp');
  const told = lamp ? [...things, lamp] : things;
  if (told.length === 0) return null;
  return (
    <table className="fit-answers" aria-label="Seen from beside the track">
      <thead>
        <tr>
          <th>From beside the track</th>
          <th>shows to an eye at</th>
        </tr>
      </thead>
      <tbody>
        {told.map((s) => (
          <tr key={s.name} className={s.shows ? 'lacks' : undefined}>
            <th scope="row">
              {s.kind === 'lamp' ? 'Lamps' : s.name}
              {s.shows && <small> seen by yours</small>}
            </th>
            <td>
              {mm(s.between![0])} to {mm(s.between![1])}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
