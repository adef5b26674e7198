import { signalIn } from '../../../core/kinds/signal/jobs';
import { TextField } from '../../fields/text-field';
import { LampFields } from '../../panels/scenery/lamp-fields';
import { useLayoutStore } from '../../store/layout-store';
import type { SignalRecord } from '../../../core/kinds/signal/record';
import type { PanelProps } from '../face';

/** Which lamps the head has, and what each is called. */
export function LampsPanel(props: PanelProps<SignalRecord>) {
  const { jobId, job } = props;
  const edit = useLayoutStore((s) => s.edit);
  return (
    <LampFields
      of={props}
      title="Lamps of the head"
      about={(lampId) => (
        <TextField
          label="Called"
          text={job.lamps[lampId].name}
          most={40}
          required
          onCommit={(name) =>
            edit('Name of a lamp', (draft) => void (signalIn(draft, jobId).lamps[lampId].name = name))
          }
        />
      )}
    />
  );
}
