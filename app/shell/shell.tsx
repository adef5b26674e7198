import { lazy, Suspense, useEffect, useState } from 'react';
import { Outlet, useLocation } from 'react-router';
import { begin } from '../storage/session';
import { useLayoutStore } from '../store/layout-store';
import { useShelfStore } from '../store/shelf-store';
import { ErrorBoundary } from './error-boundary';
import { watchPresses } from './last-pressed';
import { Notices } from './notices';
import { Sections } from './sections';
import { TopBar } from './top-bar';
import { useDrop, useImport } from './use-import';
import './shell.css';

const Finder = lazy(() => import('./finder'));
const Shortcuts = lazy(() => import('./shortcuts'));
const RefusalNote = lazy(() => import('./refusal-note'));

/** The frame around every page: sections at the left, what is open at the top. */
export function Shell() {
  const isOpen = useLayoutStore((s) => s.layout !== null);
  const isRefused = useLayoutStore((s) => s.refusal !== null);
  const isOpening = useShelfStore((s) => s.cards === null);
  const { take, shown } = useImport();
  const dropping = useDrop(take);
  const { pathname } = useLocation();
  const [panel, setPanel] = useState<'finder' | 'keys' | null>(null);

  useEffect(() => {
    void begin();
    return watchPresses();
  }, []);
  useEffect(() => {
    const { undo, redo } = useLayoutStore.getState();
    const onKey = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey)) return;
      const key = event.key.toLowerCase();
      const inField = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
      if (key === 'k') setPanel('finder');
      // In a field the browser's own undo takes back letters, until the field says that it has none.
      else if (key === 'z' && (!inField || event.defaultPrevented)) (event.shiftKey ? redo : undo)();
      else return;
      event.preventDefault();
    };
    const onAsk = (): void => setPanel('keys');
    addEventListener('keydown', onKey);
    addEventListener('hazel-keys', onAsk);
    return () => {
      removeEventListener('keydown', onKey);
      removeEventListener('hazel-keys', onAsk);
    };
  }, []);

  return (
    <div className="shell">
      <Sections />
      <TopBar take={take} onFind={() => setPanel('finder')} onKeys={() => setPanel('keys')} />
      <div className="page">
        <Notices />
        {/* What one page could not show is not held against the next. */}
        <ErrorBoundary key={pathname}>
          {isOpen || pathname.startsWith('/shelf') ? (
            <Suspense fallback={null}>
              <Outlet />
            </Suspense>
          ) : (
            <p style={{ padding: 24 }}>
              {isOpening ? 'Opening your layout…' : 'No layout is open: choose one on the Shelf.'}
            </p>
          )}
        </ErrorBoundary>
      </div>
      {shown}
      {dropping && <div className="dropping">Let go to add the file to the shelf</div>}
      <Suspense fallback={null}>
        {isRefused && <RefusalNote />}
        {panel === 'finder' && <Finder onClose={() => setPanel(null)} />}
        {panel === 'keys' && <Shortcuts onClose={() => setPanel(null)} />}
      </Suspense>
    </div>
  );
}
