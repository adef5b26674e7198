import { Button } from 'antd';
import { lazy, Suspense, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { emptyLayout } from '../../core/document/empty-layout';
import { exportLayout, importLayout } from '../storage/files';
import { useLayoutStore } from '../store/layout-store';
import type { FileComplaint } from '../../core/document/file';

const RefusedFile = lazy(() => import('./refused-file'));

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
      <Suspense fallback={null}>
        {refused && (
          <RefusedFile name={refused.name} complaints={refused.complaints} onClose={() => setRefused(null)} />
        )}
      </Suspense>
    </>
  );
}
