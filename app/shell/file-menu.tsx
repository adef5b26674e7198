import { App, Button } from 'antd';
import { useRef } from 'react';
import { useNavigate } from 'react-router';
import { exportLayout } from '../storage/files';
import { exported, newLayout } from '../storage/session';
import { useLayoutStore } from '../store/layout-store';
import { useShelfStore } from '../store/shelf-store';

/** New, import and export. None of them replaces a layout: each is kept on the shelf. */
export function FileMenu({ take }: { readonly take: (file: File) => Promise<void> }) {
  const layout = useLayoutStore((s) => s.layout);
  const keepsNothing = useShelfStore((s) => s.trouble?.kind === 'absent');
  const chooser = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const { modal, message } = App.useApp();
  /** Where the browser keeps nothing, another layout takes the open one's place: that is asked first. */
  const sure = async (): Promise<boolean> =>
    !keepsNothing ||
    (await modal.confirm({
      title: 'This browser keeps nothing',
      content: 'The open layout will be gone unless you have exported it.',
      okText: 'Go on without it',
      cancelText: 'Back',
    }));
  const begin = async (): Promise<void> => {
    if (!(await sure())) return;
    await newLayout();
    void navigate('/');
  };
  return (
    <>
      <Button
        title="Begin an empty layout; this one stays on the shelf"
        onClick={() => void begin().catch((e: Error) => message.error(e.message))}
      >
        New
      </Button>
      <Button
        title="Add a layout, or a whole shelf, from a file"
        onClick={() => void sure().then((yes) => yes && chooser.current?.click())}
      >
        Import
      </Button>
      <Button
        disabled={!layout}
        onClick={() => {
          if (!layout) return;
          exportLayout(layout);
          void exported().catch(() => undefined);
        }}
      >
        Export
      </Button>
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
