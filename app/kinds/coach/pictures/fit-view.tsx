import { FigureTable } from '../../../fields/figure-table';
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
    <FigureTable<FitAnswer>
      label="Does it fit?"
      rows={answers}
      rowKey={(a) => a.id}
      mark={(a) => (fits(a) ? '' : 'lacks')}
      columns={[
        [
          'Does it fit?',
          (a) => (
            <span data-fit={a.id}>
              {a.question} <small>{notchWords(a)}</small>
            </span>
          ),
        ],
        ['there is', (a) => mm(a.hasMillimetres)],
        ['it needs', (a) => mm(a.needsMillimetres)],
        ['to spare', (a) => (fits(a) ? mm(a.spareMillimetres) : `−${mm(-a.spareMillimetres)}`)],
      ]}
    />
  );
}

const fits = (a: FitAnswer): boolean => a.spareMillimetres >= -TOUCH;

/** What has to be filed for it to fit. */
function notchWords({ notches }: FitAnswer): string {
  if (notches.length === 0) return '';
  const deepest = mm(Math.max(...notches.map((n) => n.depthMillimetres)));
  const { into } = notches[0];
  return `notch ${deepest} in ${into === 'board' ? 'both edges' : `${notches.length} × ${into}`}`;
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
    <FigureTable<(typeof told)[number]>
      label="Seen from beside the track"
      rows={told}
      rowKey={(s) => s.name}
      mark={(s) => (s.shows ? 'lacks' : '')}
      columns={[
        [
          'From beside the track',
          (s) => (
            <>
              {s.kind === 'lamp' ? 'Lamps' : s.name}
              {s.shows && <small> seen by yours</small>}
            </>
          ),
        ],
        ['shows to an eye at', (s) => `${mm(s.between![0])} to ${mm(s.between![1])}`],
      ]}
    />
  );
}
