import { RedoOutlined, SearchOutlined, UndoOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { lazy, Suspense, useEffect, useState } from 'react';
import { NavLink, Outlet, useLocation, useMatch } from 'react-router';
import { inOrder } from '../../core/document/in-order';
import { begin } from '../storage/session';
import { useLayoutStore } from '../store/layout-store';
import { useShelfStore } from '../store/shelf-store';
import { ErrorBoundary } from './error-boundary';
import { FileMenu } from './file-menu';
import { Notices } from './notices';
import { watchPresses } from './last-pressed';
import { BenchIcon, DrawerIcon, FeedsIcon, LineIcon, OverheadIcon, ShelfIcon } from './section-icons';
import { useDrop, useImport } from './use-import';
import { timeOf } from './when';
import { benchPath, idOf, newPath } from './paths';
import type { SaveState } from '../storage/keeper';
import './shell.css';

const Finder = lazy(() => import('./finder'));
const Shortcuts = lazy(() => import('./shortcuts'));
const RefusalNote = lazy(() => import('./refusal-note'));

const savedText = (state: SaveState): string => {
  if (state.kind === 'failed' || state.kind === 'full') return 'Not saved';
  if (state.kind === 'saving') return 'Saving…';
  if (state.kind === 'idle') return '';
  return `Saved ${timeOf(state.at)}`;
};

/** The frame around every page: sections at the left, what is open at the top. */
export function Shell() {
  const layout = useLayoutStore((s) => s.layout);
  const past = useLayoutStore((s) => s.past);
  const future = useLayoutStore((s) => s.future);
  const { undo, redo } = useLayoutStore.getState();
  const saved = useShelfStore((s) => s.save);
  const cards = useShelfStore((s) => s.cards);
  const refusal = useLayoutStore((s) => s.refusal);
  const { take, shown } = useImport();
  const dropping = useDrop(take);
  const { pathname } = useLocation();
  const [panel, setPanel] = useState<'finder' | 'keys' | null>(null);
  const bench = useMatch('/bench/:jobId/*');
  const atBench = useMatch('/at-bench/:jobId');
  const sheet = useMatch('/sheet/:jobId');
  const match = bench ?? atBench ?? sheet;
  const jobId = idOf(match?.params.jobId);
  const job = jobId !== undefined && layout && Object.hasOwn(layout.jobs, jobId) ? layout.jobs[jobId] : null;

  useEffect(() => {
    void begin();
    return watchPresses();
  }, []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey)) return;
      const key = event.key.toLowerCase();
      const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
      if (key === 'k') setPanel('finder');
      // In a field the browser's own undo takes back letters.
      else if (key === 'z' && !typing) (event.shiftKey ? redo : undo)();
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
  }, [undo, redo]);

  const trainId = idOf(useMatch('/train/:trainId')?.params.trainId);
  const train =
    trainId !== undefined && layout && Object.hasOwn(layout.trains, trainId) ? layout.trains[trainId] : null;
  const first = layout ? inOrder(layout.jobs)[0] : undefined;
  return (
    <div className="shell">
      <nav className="sections" aria-label="Sections">
        <NavLink to="/" end className={({ isActive }) => (isActive && !match ? 'active' : '')}>
          <LineIcon />
          Line
        </NavLink>
        <NavLink
          to={jobId ? benchPath(jobId) : first ? benchPath(first.id) : newPath()}
          className={match ? 'active' : ''}
        >
          <BenchIcon />
          Bench
        </NavLink>
        <NavLink to="/feeds">
          <FeedsIcon />
          Feeds
        </NavLink>
        <NavLink to="/overhead">
          <OverheadIcon />
          Overhead
        </NavLink>
        <NavLink to="/drawer">
          <DrawerIcon />
          Drawer
        </NavLink>
        <NavLink to="/shelf">
          <ShelfIcon />
          Shelf
        </NavLink>
      </nav>
      <header className="topbar">
        <div className="crumbs">
          {job || train ? (
            <NavLink to="/">{layout?.name}</NavLink>
          ) : (
            <strong>{layout?.name ?? 'Hazel Spark'}</strong>
          )}
          {train && (
            <>
              <span aria-hidden="true">›</span>
              <strong>{train.name}</strong>
              <span className="note">{train.note}</span>
            </>
          )}
          {job && (
            <>
              <span aria-hidden="true">›</span>
              <strong>{job.name}</strong>
              <span className="note">{job.note}</span>
            </>
          )}
        </div>
        <span
          className={saved.kind === 'failed' || saved.kind === 'full' ? 'saved failed' : 'saved'}
          role="status"
        >
          {savedText(saved)}
        </span>
        <Button
          icon={<UndoOutlined />}
          aria-label={past.length > 0 ? `Undo: ${past[past.length - 1].label}` : 'Undo'}
          title={past.length > 0 ? `Take back: ${past[past.length - 1].label}` : 'Nothing to take back'}
          disabled={past.length === 0}
          onClick={undo}
        />
        <Button
          icon={<RedoOutlined />}
          aria-label={future.length > 0 ? `Redo: ${future[0].label}` : 'Redo'}
          title={future.length > 0 ? `Make again: ${future[0].label}` : 'Nothing to make again'}
          disabled={future.length === 0}
          onClick={redo}
        />
        <FileMenu take={take} />
        <Button
          icon={<SearchOutlined />}
          aria-label="Find"
          title="Find (Ctrl K)"
          onClick={() => setPanel('finder')}
        />
        <Button aria-label="Keys" title="Keys (? on the stage)" onClick={() => setPanel('keys')}>
          ?
        </Button>
      </header>
      <div className="page">
        <Notices />
        {/* What one page could not show is not held against the next. */}
        <ErrorBoundary key={pathname}>
          {layout || pathname.startsWith('/shelf') ? (
            <Suspense fallback={null}>
              <Outlet />
            </Suspense>
          ) : (
            <p style={{ padding: 24 }}>
              {cards === null ? 'Opening your layout…' : 'No layout is open: choose one on the Shelf.'}
            </p>
          )}
        </ErrorBoundary>
      </div>
      {shown}
      {dropping && <div className="dropping">Let go to add the file to the shelf</div>}
      <Suspense fallback={null}>
        {refusal && <RefusalNote />}
        {panel === 'finder' && <Finder onClose={() => setPanel(null)} />}
        {panel === 'keys' && <Shortcuts onClose={() => setPanel(null)} />}
      </Suspense>
    </div>
  );
}
