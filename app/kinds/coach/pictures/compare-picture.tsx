import { Button } from 'antd';
import { formatQuantity } from '../../../../core/quantity/format';
import { coachIn } from '../../../../core/kinds/coach/jobs';
import { onCells } from '../../../../core/kinds/coach/on-cells';
import { oldBulbs, oldBulbsOfRake } from '../../../../core/kinds/coach/old-bulbs';
import { schools } from '../../../../core/kinds/coach/schools';
import { Compared, type WayRow } from '../../../drawings/compare-picture';
import { More } from '../../../fields/more';
import { NumberField } from '../../../fields/number-field';
import { useLayoutStore } from '../../../store/layout-store';
import { hand as slowHand } from '../../../workers/desk';
import type { CoachPictureProps } from '../coach-props';

/** The same coach by several schools, side by side; the old bulbs among them. */
export function ComparePicture({ layout, jobId }: CoachPictureProps) {
  return (
    <Compared
      layout={layout}
      jobId={jobId}
      ways={[...schools, onCells]}
      offer={({ id }) => slowHand.search('coach/school', layout, { jobId, schoolId: id }).answer}
      besides={bulbRows(layout, jobId)}
    >
      <More label="The old bulbs" open={coachIn(layout, jobId).oldBulbs !== null}>
        <OldBulbs layout={layout} jobId={jobId} />
      </More>
    </Compared>
  );
}

/** What the old bulbs drew; nothing where they were never read. */
function bulbRows(layout: CoachPictureProps['layout'], jobId: string): WayRow[] {
  const bulbs = oldBulbs(layout, jobId);
  if (!bulbs) return [];
  const { amps, volts } = bulbs;
  const rake = oldBulbsOfRake(layout);
  const drawn = (
    <>
      {formatQuantity(amps, 'amp')} <small>true RMS at {formatQuantity(volts, 'volt')}</small>
      {rake > amps && <small>, the rake {formatQuantity(rake, 'amp')}</small>}
    </>
  );
  const name = 'The old bulbs';
  return [{ id: name, name, way: null, light: '–', drawn, cost: '–', joints: '–', holds: 'no time' }];
}

function OldBulbs({ layout, jobId }: Pick<CoachPictureProps, 'layout' | 'jobId'>) {
  const edit = useLayoutStore((s) => s.edit);
  const kept = coachIn(layout, jobId).oldBulbs;
  const held = kept ?? { volts: 14, amps: 0.2 };
  const put = (figure: Partial<typeof held>): void =>
    edit('Old bulbs', (draft) => void (coachIn(draft, jobId).oldBulbs = { ...held, ...figure }));
  return (
    <>
      <p className="hint">
        What they drew, all together, as a meter showed it: true RMS on AC, plain milliamps on DC.
      </p>
      <div className="two-fields">
        <NumberField
          label="Read at"
          unit="volt"
          figure={held.volts}
          limits={{ least: 0.5, most: 60, range: '0.5 V to 60 V' }}
          onCommit={(volts) => put({ volts })}
        />
        <NumberField
          label="They drew"
          unit="amp"
          figure={held.amps}
          limits={{ least: 1e-3, most: 10, range: '1 mA to 10 A' }}
          onCommit={(amps) => put({ amps })}
        />
      </div>
      {kept ? (
        <Button onClick={() => edit('Old bulbs', (draft) => void (coachIn(draft, jobId).oldBulbs = null))}>
          Leave them out
        </Button>
      ) : (
        <Button onClick={() => put({})}>Keep them in the comparison</Button>
      )}
    </>
  );
}
