import { Alert, Button, Checkbox, Modal } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { addArchived } from '../storage/add-archived';
import { useShelfStore } from '../store/shelf-store';
import { whenOf } from './when';
import type { ArchivedLayout } from '../../core/document/archive';

interface ArchiveLookProps {
  readonly name: string;
  readonly layouts: readonly ArchivedLayout[];
  /** Files beside the documents, by their name. */
  readonly contents: ReadonlyMap<string, Blob>;
  readonly onClose: () => void;
}

/** What is in an archive of a shelf, before anything of it is added. */
export default function ArchiveLook({ name, layouts, contents, onClose }: ArchiveLookProps) {
  const good = layouts.filter((l) => l.layout !== null);
  /** Where the browser keeps nothing, there is room for the open one alone. */
  const onlyOne = useShelfStore((s) => s.trouble?.kind === 'absent');
  const [wanted, setWanted] = useState<readonly string[]>(
    good.map((l) => l.folder).slice(0, onlyOne ? 1 : undefined),
  );
  const [busy, setBusy] = useState(false);
  const [failure, setFailure] = useState<string | null>(null);
  const navigate = useNavigate();
  const add = async (): Promise<void> => {
    setBusy(true);
    try {
      for (const l of good) if (wanted.includes(l.folder)) await addArchived(l, contents, name);
      onClose();
      void navigate(onlyOne ? '/' : '/shelf');
    } catch (error) {
      setFailure(error instanceof Error ? error.message : String(error));
      setBusy(false);
    }
  };
  return (
    <Modal
      open
      title={`What is in ${name}`}
      width={620}
      onCancel={onClose}
      footer={
        <>
          <Button onClick={onClose}>Add nothing</Button>
          <Button type="primary" loading={busy} disabled={wanted.length === 0} onClick={() => void add()}>
            {onlyOne ? 'Open it' : `Add ${wanted.length} to the shelf`}
          </Button>
        </>
      }
    >
      <p>
        {onlyOne
          ? 'This browser keeps nothing: one of them can be opened, in the place of the open one.'
          : 'Each is added beside what is there; nothing is replaced.'}
      </p>
      <Checkbox.Group
        className="archive-list"
        value={[...wanted]}
        onChange={(folders) => setWanted(onlyOne ? folders.slice(-1) : folders)}
        options={layouts.map((l) => ({
          value: l.folder,
          disabled: l.layout === null,
          label: (
            <>
              <b>{l.layout?.name ?? l.folder}</b>{' '}
              <small>
                {l.layout
                  ? `${l.layout.scale}, ${Object.keys(l.layout.jobs).length} jobs, ${whenOf(l.changedAt)}, ${
                      l.history
                        ? `${l.history.steps.length} changes of history`
                        : `without its history: ${l.historyRefused}`
                    }`
                  : `cannot be opened: ${l.complaints[0]?.path} ${l.complaints[0]?.reason}`}
              </small>
            </>
          ),
        }))}
      />
      {failure !== null && <Alert type="error" showIcon title={failure} />}
    </Modal>
  );
}
