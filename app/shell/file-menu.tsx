import { Button } from 'antd';
import { useRef } from 'react';
import { useNavigate } from 'react-router';
import { exportLayout } from '../storage/files';
import { exported, newLayout } from '../storage/session';
import { useLayoutStore } from '../store/layout-store';

/** New, import and export. None of them replaces a layout: each is kept on the shelf. */
export function FileMenu({ take }: { readonly take: (file: File) => Promise<void> }) {
  const isOpen = useLayoutStore((s) => s.layout !== null);
  const chooser = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const begin = (): void => {
    newLayout().then(
      (begun) => begun && navigate('/'),
      (error: Error) => useLayoutStore.setState({ refusal: { label: 'New layout', reason: error.message } }),
    );
  };
  return (
    <>
      <Button title="Begin an empty layout; this one stays on the shelf" onClick={begin}>
        New
      </Button>
      <Button title="Add a layout, or a whole shelf, from a file" onClick={() => chooser.current?.click()}>
        Import
      </Button>
      <Button
        disabled={!isOpen}
        onClick={() => {
          const { layout } = useLayoutStore.getState();
          if (!layout) return;
          exportLayout(layout);
          void exported().catch(() => undefined);
        }}
      >
        Export
      </Button>
      {/* As `FileInput`, which would be a file more for every page to fetch. */}
      <input
        ref={chooser}
        type="file"
        accept=".json,.zip,application/json,application/zip"
        aria-label="Layout file to import"
        className="visually-hidden"
        tabIndex={-1}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) void take(file);
          e.target.value = '';
        }}
      />
    </>
  );
}
