import { anyJobIn } from '../../../core/document/jobs';
import { presetNameOf, presetOf, presets, wireBy, type PresetName } from '../../../core/document/presets';
import { SelectField } from '../../fields/select-field';
import { useLayoutStore } from '../../store/layout-store';
import type { AnyJob } from '../../../core/document/layout';

interface PresetFieldProps {
  readonly job: AnyJob;
  readonly jobId: string;
  readonly circuitId: string;
}

/** How a circuit is wired, by the name people know it by. */
export function PresetField({ job, jobId, circuitId }: PresetFieldProps) {
  const edit = useLayoutStore((s) => s.edit);
  const { lineId } = job.circuits[circuitId];
  const on = job.lines[lineId].from.kind === 'output' ? 'output' : 'track';
  const wired = presetNameOf(job, circuitId);
  return (
    <>
      <SelectField<PresetName>
        label="Wired"
        value={wired ?? undefined}
        placeholder="in a way of your own"
        options={presets
          .filter((p) => (p.on as readonly string[]).includes(on))
          .map((p) => ({ value: p.id, label: p.name }))}
        onChange={(name) =>
          edit('Wiring', (draft) => {
            const j = anyJobIn(draft, jobId);
            wireBy(j.lines[lineId], j.circuits[circuitId], name);
          })
        }
      />
      {wired && <p className="hint">{presetOf(wired).says}</p>}
    </>
  );
}
