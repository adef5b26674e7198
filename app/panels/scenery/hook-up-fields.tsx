import { anyJobIn } from '../../../core/document/jobs';
import { hookUps, isScenery, type HookUpName, type Scenery } from '../../../core/document/scenery-record';
import { stageOf } from '../../../core/document/line-stages';
import { hookUp, limitTo, SCENIC_AMPS, type HookUpStyle } from '../../../core/study/hook-up';
import { Choice } from '../../fields/choice';
import { useLayoutStore } from '../../store/layout-store';
import type { Draft } from 'immer';
import type { AnyJob, Layout } from '../../../core/document/layout';
import type { Readings } from '../../../core/study/readings';

/** A job of scenery in a draft. @throws RangeError when it is none */
export function sceneryIn(draft: Draft<Layout>, jobId: string): Draft<AnyJob & Scenery> {
  const job = anyJobIn(draft, jobId);
  if (!isScenery(job)) throw new RangeError(`${jobId} is no scenery`);
  return job as Draft<AnyJob & Scenery>;
}

/** What each lamp of a circuit gets now; what is usual where none is lit. */
function ampsNow(readings: Readings | null, circuitId: string): number {
  const own = (readings?.dies ?? []).filter((d) => d.circuitId === circuitId && d.litAmps > 1e-5);
  return own.length === 0 ? SCENIC_AMPS : own.reduce((sum, d) => sum + d.litAmps, 0) / own.length;
}

interface HookUpFieldsProps {
  readonly layout: Layout;
  readonly jobId: string;
  readonly job: AnyJob & Scenery;
  readonly readings: Readings | null;
  readonly style: HookUpStyle;
}

/** How lamps of the scenery are joined to what feeds them; they keep about the light they have. */
export function HookUpFields({ layout, jobId, job, readings, style }: HookUpFieldsProps) {
  const edit = useLayoutStore((s) => s.edit);
  return (
    <Choice<HookUpName>
      label="Joined by"
      columns={2}
      options={(Object.keys(hookUps) as HookUpName[]).map((id) => ({
        value: id,
        name: hookUps[id].name,
        figure: hookUps[id].says,
      }))}
      value={job.hookUp}
      onChoose={(name) =>
        edit(`Joined by: ${hookUps[name].name}`, (draft) =>
          hookUp(layout, sceneryIn(draft, jobId), name, (id) => ampsNow(readings, id), style),
        )
      }
    />
  );
}

/** Sets what limits a circuit for a current in each of its lamps. */
export const setLampAmps = (
  layout: Layout,
  draft: Draft<Layout>,
  jobId: string,
  circuitId: string,
  amps: number,
) => limitTo(layout, sceneryIn(draft, jobId), circuitId, amps);

/** The socket a circuit hangs on; null where it hangs on none. */
export const socketOf = (job: AnyJob, circuitId: string) =>
  stageOf(job.lines[job.circuits[circuitId].lineId], 'socket');
