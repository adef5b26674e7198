import { SHOWN } from '../../../core/light/lamp-light';
import { lampNamesOf } from '../../../core/study/lamp-names';
import { FigureTable } from '../../fields/figure-table';
import { useStudy } from '../../workers/use-study';
import type { PanelProps } from '../../kinds/face';
import type { SweptLamp } from '../../../core/study/throttle-sweep';

const percent = (share: number | null): string => (share === null ? '–' : `${Math.round(share * 100)} %`);

/** From which throttle each lamp shows. */
export function ThrottleTable({ layout, jobId, hand }: PanelProps) {
  const sweep = useStudy('sweep', layout, { jobId, supplyId: hand.supplyId ?? undefined });
  const names = lampNamesOf(layout, jobId);
  return (
    <>
      <h2>From which throttle</h2>
      {sweep.answer ? (
        <>
          <FigureTable<SweptLamp>
            label="From which throttle"
            rows={sweep.answer.lamps}
            stale={sweep.stale}
            rowKey={(l) => l.part}
            columns={[
              ['Lamp', (l) => `${names.get(l.lampId) ?? l.lampId}${l.second ? ', other colour' : ''}`],
              ['shows', (l) => percent(l.showsAt)],
              ['good', (l) => percent(l.goodAt)],
              ['bright', (l) => percent(l.brightAt)],
            ]}
          />
          <p className="hint">
            Against its own light at full throttle, to the eye: it shows from {SHOWN.shows} of 100 (a tenth of
            the light), is good from {SHOWN.good} (a third), bright from {SHOWN.bright}. A dash: it never
            shines the way it should.
          </p>
        </>
      ) : (
        <p className="stale-note">{sweep.failure ?? 'Being worked out…'}</p>
      )}
    </>
  );
}
