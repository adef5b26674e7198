import { switchOf } from '../../../core/document/line-stages';
import { Choice } from '../../fields/choice';
import type { AnyJob } from '../../../core/document/layout';
import { inOrder } from '../../../core/document/in-order';
import { useChosenGroup, useRunStore } from '../../store/run-store';

/** Which lamps the figures below are about; nothing where there is one group. */
export function CircuitChoice({ job, jobId }: { readonly job: AnyJob; readonly jobId: string }) {
  const chosen = useChosenGroup(job, jobId);
  const choose = useRunStore((s) => s.chooseGroup);
  const groups = inOrder(job.circuits);
  if (groups.length < 2) return null;
  return (
    <Choice<string>
      label="Which lamps"
      quiet
      columns={Math.min(3, groups.length)}
      options={groups.map((g) => ({
        value: g.id,
        name: g.name,
        figure:
          switchOf(job, g.id)?.stage.on === false
            ? 'off'
            : String(Object.values(job.lamps).filter((l) => l.circuitId === g.id).length),
      }))}
      value={chosen?.id ?? null}
      onChoose={(id) => choose(jobId, id)}
    />
  );
}
