import { NumberField } from '../../fields/number-field';
import { useLayoutStore } from '../../store/layout-store';
import { PowerPanel } from '../power-panel';
import { sceneryIn } from './hook-up-fields';
import { scenerySupplies } from './supplies';
import type { AnyJob } from '../../../core/document/layout';
import type { Scenery } from '../../../core/document/scenery-record';
import type { PanelProps } from '../../kinds/face';

/** Seconds of an hour: fields know seconds. */
const HOUR = 3600;

/** What feeds a piece of scenery, and for how long it is lit where cells do. */
export function SceneryPowerPanel(props: PanelProps<AnyJob & Scenery>) {
  const { jobId, job, solved } = props;
  const edit = useLayoutStore((s) => s.edit);
  return (
    <PowerPanel {...props} supplies={scenerySupplies}>
      {solved.bench.supply.kind === 'cell' && (
        <NumberField
          label="Lit in one go"
          unit="second"
          figure={job.showHours * HOUR}
          limits={{ least: 360, most: 200 * HOUR, range: '6 min to 200 h' }}
          aside={`${Number(job.showHours.toPrecision(3))} h`}
          onCommit={(s) =>
            edit('Length of a show', (draft) => void (sceneryIn(draft, jobId).showHours = s / HOUR))
          }
        />
      )}
    </PowerPanel>
  );
}
