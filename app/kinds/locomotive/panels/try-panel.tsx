import { SHOWN } from '../../../../core/light/lamp-light';
import { lampName } from '../../../../core/kinds/locomotive/lamp-name';
import { supplyKind } from '../../../../core/supply';
import { FigureTable } from '../../../fields/figure-table';
import { TesterFields } from '../../../panels/tester-fields';
import { UnmarkedLamp } from '../../../panels/unmarked-lamp';
import { useStudy } from '../../../workers/use-study';
import type { SweptLamp } from '../../../../core/study/throttle-sweep';
import type { LocomotiveProps } from '../locomotive-props';

const percent = (share: number | null): string => (share === null ? '–' : `${Math.round(share * 100)} %`);

/** From which throttle each lamp shows; the person's tester, and an unmarked lamp's polarity by it. */
export function TryPanel({ layout, jobId, job, solved, hand }: LocomotiveProps) {
  const { supply } = solved.bench;
  const onDc = supply.kind === 'dc-track';
  const supplyId = hand.supplyId ?? undefined;
  const sweep = useStudy('sweep', layout, onDc ? { jobId, supplyId } : null);
  const { tester } = layout.drawer;
  return (
    <div className="choices">
      <h2>{onDc ? 'From which throttle' : 'Try it'}</h2>
      {onDc && sweep.answer ? (
        <>
          <FigureTable<SweptLamp>
            label="From which throttle"
            rows={sweep.answer.lamps}
            stale={sweep.stale}
            rowKey="part"
            columns={[
              {
                title: 'Lamp',
                render: (_, l) => `${lampName(job, l.lampId)}${l.second ? ', other colour' : ''}`,
              },
              { title: 'shows', render: (_, l) => percent(l.showsAt) },
              { title: 'good', render: (_, l) => percent(l.goodAt) },
              { title: 'bright', render: (_, l) => percent(l.brightAt) },
            ]}
          />
          <p className="hint">
            Against its own light at full throttle, to the eye: it shows from {SHOWN.shows} of 100 (a tenth of
            the light), is good from {SHOWN.good} (a third), bright from {SHOWN.bright}. A dash: it never
            shines the way it should.
          </p>
        </>
      ) : onDc ? (
        <p className="stale-note">{sweep.failure ?? 'Being worked out…'}</p>
      ) : (
        <p className="hint">
          On {supplyKind(supply).name} the lamps do not follow the throttle. Press functions, direction and
          switches on the stage; every state is under All states.
        </p>
      )}
      <h3 className="part-head">Your tester</h3>
      <TesterFields tester={tester} />
      <UnmarkedLamp tester={tester} />
    </div>
  );
}
