import { Choice } from '../../../fields/choice';
import { CountField } from '../../../fields/count-field';
import { More } from '../../../fields/more';
import { NumberField } from '../../../fields/number-field';
import { useLayoutStore } from '../../../store/layout-store';
import { ALL_AXLES_BASE_SHARE, TRUCK_BASE_SHARE } from '../../../../core/document/usual-running';
import { coachIn } from '../../../../core/kinds/coach/jobs';
import type { CoachRecord as Job } from '../../../../core/kinds/coach/record';
import type { PickupRecord } from '../../../../core/document/job-record';

interface PickupFieldsProps {
  readonly job: Job;
  readonly jobId: string;
  readonly onTrack: boolean;
}

/** How the coach collects its current. */
export function PickupFields({ job, jobId, onTrack }: PickupFieldsProps) {
  const edit = useLayoutStore((s) => s.edit);
  const { pickups, dimensions } = job;
  return (
    <>
      {onTrack && (
        <More label="Pickups">
          <Choice<PickupRecord['axles']>
            label="Which axles collect"
            columns={2}
            options={[
              { value: 'one-truck', name: 'One bogie', figure: 'truck' },
              { value: 'all', name: 'All axles' },
            ]}
            value={pickups.axles}
            onChoose={(axles) =>
              edit('Axles that collect', (draft) => {
                const share = axles === 'all' ? ALL_AXLES_BASE_SHARE : TRUCK_BASE_SHARE;
                Object.assign(coachIn(draft, jobId).pickups, {
                  axles,
                  wheelsPerRail: axles === 'all' ? 4 : 2,
                  baseMillimetres: Math.round(dimensions.lengthMillimetres * share),
                });
              })
            }
          />
          <Choice<PickupRecord['kind']>
            label="By"
            columns={2}
            options={[
              { value: 'wipers', name: 'Wipers' },
              { value: 'collars', name: 'Rubbing collars' },
            ]}
            value={pickups.kind}
            onChoose={(kind) => edit('Pickups', (draft) => void (coachIn(draft, jobId).pickups.kind = kind))}
          />
          <div className="two-fields">
            <CountField
              label="Wheels a rail"
              count={pickups.wheelsPerRail}
              least={1}
              most={12}
              onCommit={(n) =>
                edit('Wheels a rail', (draft) => void (coachIn(draft, jobId).pickups.wheelsPerRail = n))
              }
            />
            <NumberField
              label="First to last wheel"
              unit="millimetre"
              figure={pickups.baseMillimetres}
              limits={{
                least: 0,
                most: dimensions.lengthMillimetres,
                range: `0 mm to ${dimensions.lengthMillimetres} mm`,
              }}
              onCommit={(mm) =>
                edit('Pickup base', (draft) => void (coachIn(draft, jobId).pickups.baseMillimetres = mm))
              }
            />
          </div>
        </More>
      )}
    </>
  );
}
