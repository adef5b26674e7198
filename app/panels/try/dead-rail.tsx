import { Button } from 'antd';
import { anyJobIn } from '../../../core/document/jobs';
import { putStage, reservoirLineId } from '../../../core/document/line-stages';
import { formatQuantity } from '../../../core/quantity/format';
import { bridgedLength, deadLength } from '../../../core/study/gap';
import { supplyKind } from '../../../core/supply';
import { NumberField } from '../../fields/number-field';
import { useLayoutStore } from '../../store/layout-store';
import type { AnyJob } from '../../../core/document/layout';
import { isOnRails, type OnRails } from '../../../core/document/job-record';
import type { PanelProps } from '../../kinds/face';
import type { StayingAlight } from '../../workers/questions';
import type { TaskState } from '../../workers/use-study';

type JobOnRails = AnyJob & OnRails;

/** Dead rail as a length at a speed: how long it takes the current away, and what rides over it. */
export function DeadRail({
  layout,
  jobId,
  solved,
  alight,
}: PanelProps & { readonly alight: TaskState<StayingAlight> }) {
  const edit = useLayoutStore((s) => s.edit);
  const { job } = solved.bench;
  if (!isOnRails(job)) return null;
  const { ride, pickups } = job;
  const change = (label: string, recipe: (j: JobOnRails) => void): void =>
    edit(label, (draft) => {
      const j = anyJobIn(draft as { jobs: Record<string, AnyJob> }, jobId);
      if (isOnRails(j)) recipe(j);
    });
  const { changesSides } = supplyKind(solved.bench.supply);
  const lineId = reservoirLineId(job, changesSides);
  const answer = alight.answer?.ride;
  const suggestion = answer?.reservoir;
  return (
    <>
      <h3 className="part-head">Over dead rail</h3>
      <div className="two-fields">
        <NumberField
          label="Dead for"
          unit="millimetre"
          figure={ride.deadMillimetres}
          limits={{ least: 0, most: 2000, range: '0 mm to 2000 mm' }}
          onCommit={(mm) => change('Dead rail', (j) => void (j.ride.deadMillimetres = mm))}
        />
        <NumberField
          label={`At, of ${layout.scale} scale`}
          unit="kilometre-per-hour"
          figure={ride.kilometresPerHour}
          limits={{ least: 0.5, most: 500, range: '0.5 km/h to 500 km/h' }}
          onCommit={(v) => change('Scale speed', (j) => void (j.ride.kilometresPerHour = v))}
        />
      </div>
      <dl className="fact-list" aria-busy={alight.stale} style={alight.stale ? { opacity: 0.5 } : undefined}>
        <dt>its pickups bridge</dt>
        <dd>{formatQuantity(bridgedLength(ride.deadMillimetres, pickups), 'millimetre')}</dd>
        <dt>left without current</dt>
        <dd>{formatQuantity(deadLength(ride.deadMillimetres, pickups), 'millimetre')}</dd>
        <dt>for</dt>
        <dd>{answer ? formatQuantity(answer.gapSeconds, 'second') : '–'}</dd>
        <dt>light left at its end</dt>
        <dd data-figure="ridden">{answer ? `${(100 * answer.lightLeft).toFixed(0)} %` : '–'}</dd>
      </dl>
      {suggestion && (
        <div className="proposal">
          <p>
            <b>{formatQuantity(suggestion.farads, 'farad')}</b>,{' '}
            {formatQuantity(suggestion.ratedVolts, 'volt')} rides it: {suggestion.can.diameter} ×{' '}
            {suggestion.can.height} mm
            {suggestion.inDrawer ? ', in the drawer' : ''}.
          </p>
          <Button
            type="primary"
            disabled={alight.stale || lineId === null}
            onClick={() =>
              edit('Reservoir for the dead rail', (draft) => {
                putStage(anyJobIn(draft, jobId).lines[lineId!], 'reservoir', {
                  farads: suggestion.farads,
                  ratedVolts: suggestion.ratedVolts,
                });
              })
            }
          >
            Fit it
          </Button>
        </div>
      )}
    </>
  );
}
