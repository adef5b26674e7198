import { Alert, Button } from 'antd';
import { lazy, Suspense, useEffect, useState } from 'react';
import { Link } from 'react-router';
import { exportLayout } from '../storage/files';
import { reminded } from '../storage/reminder';
import { exported, shelf } from '../storage/session';
import { makeRoom } from '../storage/shelf-work';
import { useLayoutStore } from '../store/layout-store';
import { useShelfStore } from '../store/shelf-store';

const Choices = lazy(() => import('./choices'));
const KeepsNothing = lazy(() => import('./keeps-nothing'));

/** What the person has to know about how the work is kept. Fetched when there is something to say. */
export default function StorageNotices() {
  const isOpen = useLayoutStore((s) => s.layout !== null);
  const choices = useLayoutStore((s) => s.choices);
  const trouble = useShelfStore((s) => s.trouble);
  const notOpened = useShelfStore((s) => s.notOpened);
  const isFull = useShelfStore((s) => s.save.kind === 'full');
  const notSaved = useShelfStore((s) => (s.save.kind === 'failed' ? s.save.reason : null));
  const recovered = useShelfStore((s) => s.recovered);
  const remind = useShelfStore((s) => s.remind);
  const replacing = useShelfStore((s) => s.replacing);
  const { set } = useShelfStore.getState();
  const [choosing, setChoosing] = useState(false);
  const exportNow = (): void => {
    const { layout } = useLayoutStore.getState();
    if (!layout) return;
    exportLayout(layout);
    void exported().catch(() => undefined);
  };
  const quiet = (never: boolean): void => {
    set({ remind: false });
    void shelf()
      .then((s) => reminded(s, Date.now(), never))
      .catch(() => undefined);
  };
  const exportButton = (
    <Button size="small" type="primary" onClick={exportNow}>
      Export this layout
    </Button>
  );
  return (
    <>
      <Suspense fallback={null}>
        {replacing && <KeepsNothing onAnswer={replacing} onExport={exportNow} />}
      </Suspense>
      {trouble?.kind === 'absent' && (
        <Alert
          type="warning"
          showIcon
          title="This browser keeps nothing: export your work before you close the page."
          description={`It says: ${trouble.reason}`}
          action={exportButton}
        />
      )}
      {trouble?.kind === 'blocked' && (
        <Alert
          type="warning"
          showIcon
          title="Another window with an older Hazel Spark holds your layouts. Close it, and they open here."
        />
      )}
      {trouble?.kind === 'outdated' && <Outdated onExport={exportNow} />}
      {isFull && (
        <Alert
          type="error"
          showIcon
          title="Not saved: this browser has no room left. What you do is kept in this window only."
          description="Export the layout to be safe. Making room thins out history that is older than a week; the Shelf shows what takes the room."
          action={
            <span className="button-row">
              {exportButton}
              <Button size="small" onClick={() => void makeRoom().catch(() => undefined)}>
                Make room
              </Button>
              <Link to="/shelf">Shelf</Link>
            </span>
          }
        />
      )}
      {notSaved !== null && (
        <Alert
          type="error"
          showIcon
          title="Not saved yet; it is tried again. Export the layout before you close the page."
          description={`The browser says: ${notSaved}`}
          action={exportButton}
        />
      )}
      {notOpened && (
        <Alert
          type="error"
          showIcon
          title={`“${notOpened.name}” could not be opened. It is kept as it is; the Shelf offers what can be done.`}
          description={`${notOpened.complaints[0].path}: ${notOpened.complaints[0].reason}`}
          action={<Link to="/shelf">Shelf</Link>}
        />
      )}
      {recovered.length > 0 && (
        <Alert
          type="warning"
          showIcon
          closable={{ onClose: () => set({ recovered: [] }) }}
          title={`This browser had lost what it kept; ${recovered.join(', ')} ${recovered.length === 1 ? 'was' : 'were'} had back from the second copy.`}
          description="The layout is as it was last written; its earlier history is gone. An export is safe from a browser."
          action={exportButton}
        />
      )}
      {choices.length > 0 && (
        <Alert
          type="warning"
          showIcon
          title={
            choices.length === 1
              ? 'Another window changed the same thing: one change waits for your choice.'
              : `Another window changed the same things: ${choices.length} changes wait for your choice.`
          }
          action={
            <Button size="small" type="primary" onClick={() => setChoosing(true)}>
              Choose
            </Button>
          }
        />
      )}
      {remind && isOpen && (
        <Alert
          type="info"
          showIcon
          title="Much has changed since this layout was last exported. A file outlives a browser."
          action={
            <span className="button-row">
              {exportButton}
              <Button size="small" onClick={() => quiet(false)}>
                Not this week
              </Button>
              <Button size="small" onClick={() => quiet(true)}>
                Never remind me
              </Button>
            </span>
          }
        />
      )}
      <Suspense fallback={null}>{choosing && <Choices onClose={() => setChoosing(false)} />}</Suspense>
    </>
  );
}

/** Pause before a window with an older program reloads by itself. */
const RELOAD_MS = 8000;

/** A newer program has the data. This window writes no more, and reloads itself unless something is unsaved. */
function Outdated({ onExport }: { readonly onExport: () => void }) {
  const unsaved = useShelfStore(({ save }) => save.kind !== 'saved' && save.kind !== 'idle');
  useEffect(() => {
    if (unsaved) return;
    const timer = setTimeout(() => location.reload(), RELOAD_MS);
    return () => clearTimeout(timer);
  }, [unsaved]);
  return (
    <Alert
      type="warning"
      showIcon
      title="A newer Hazel Spark has been opened in this browser. This window has stopped writing."
      description={
        unsaved
          ? 'Its last edit is not saved: export it if you need it, then reload.'
          : 'It reloads by itself in a moment.'
      }
      action={
        <span className="button-row">
          <Button size="small" type="primary" onClick={() => location.reload()}>
            Reload now
          </Button>
          <Button size="small" onClick={onExport}>
            Export what is here
          </Button>
        </span>
      }
    />
  );
}
