import { Button, Modal } from 'antd';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { emptyLayout } from '../../core/study/new-coach';
import { exportLayout, importLayout } from '../storage/files';
import { useLayoutStore } from '../store/layout-store';
import type { FileComplaint } from '../../core/document/file';

/** Export and import of the layout as a file. */
export function FileMenu() {
  const layout = useLayoutStore((s) => s.layout);
  const replace = useLayoutStore((s) => s.replace);
  const chooser = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<{ name: string; complaints: readonly FileComplaint[] } | null>(null);
  const navigate = useNavigate();
  const choose = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const read = await importLayout(file);
    if (!read.ok) {
      setRefused({ name: file.name, complaints: read.complaints });
      return;
    }
    replace(`Open ${file.name}`, read.layout);
    void navigate('/');
  };
  return (
    <>
      <Button
        title="Begin an empty layout; Undo brings this one back"
        onClick={() => {
          replace('New layout', emptyLayout('My layout'));
          void navigate('/');
        }}
      >
        New
      </Button>
      <Button onClick={() => chooser.current?.click()}>Import</Button>
      <Button disabled={!layout} onClick={() => layout && exportLayout(layout)}>
        Export
      </Button>
      <input
        ref={chooser}
        type="file"
        accept=".json,application/json"
        aria-label="Layout file to import"
        className="visually-hidden"
        tabIndex={-1}
        onChange={(e) => {
          void choose(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      <Modal
        open={refused !== null}
        title={`${refused?.name ?? ''} was not opened`}
        onCancel={() => setRefused(null)}
        footer={
          <Button type="primary" onClick={() => setRefused(null)}>
            Back to the open layout
          </Button>
        }
      >
        <p>The open layout is as it was. What is wrong with the file:</p>
        <ul className="complaints" data-testid="complaints">
          {refused?.complaints.map((c) => (
            <li key={`${c.path} ${c.reason}`}>
              {c.path !== '' && <code>{c.path}: </code>}
              {c.reason}
            </li>
          ))}
        </ul>
      </Modal>
    </>
  );
}
