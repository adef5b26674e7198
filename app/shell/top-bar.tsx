import { RedoOutlined, SearchOutlined, UndoOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { NavLink } from 'react-router';
import { useLayoutStore } from '../store/layout-store';
import { useShelfStore } from '../store/shelf-store';
import { FileMenu } from './file-menu';
import { useJobHere, useTrainHere } from './open-here';
import { timeOf } from './when';
import type { Layout } from '../../core/document/layout';
import type { SaveState } from '../storage/keeper';

interface TopBarProps {
  readonly take: (file: File) => Promise<void>;
  readonly onFind: () => void;
  readonly onKeys: () => void;
}

/** What is open, whether it is saved, and what can be done with it anywhere. */
export function TopBar({ take, onFind, onKeys }: TopBarProps) {
  return (
    <header className="topbar">
      <Crumbs />
      <Saved />
      <UndoAndRedo />
      <FileMenu take={take} />
      <Button icon={<SearchOutlined />} aria-label="Find" title="Find (Ctrl K)" onClick={onFind} />
      <Button aria-label="Keys" title="Keys (? on the stage)" onClick={onKeys}>
        ?
      </Button>
    </header>
  );
}

type Named = 'jobs' | 'trains';

/** A name or note of what a page is about; null where there is none. */
const told =
  (of: Named, id: string | undefined, word: 'name' | 'note') =>
  ({ layout }: { readonly layout: Layout | null }): string | null =>
    id !== undefined && layout && Object.hasOwn(layout[of], id) ? layout[of][id][word] : null;

function Crumbs() {
  const { jobId } = useJobHere();
  const trainId = useTrainHere();
  const [of, id] = jobId === undefined ? (['trains', trainId] as const) : (['jobs', jobId] as const);
  const layoutName = useLayoutStore((s) => s.layout?.name);
  const name = useLayoutStore(told(of, id, 'name'));
  const note = useLayoutStore(told(of, id, 'note'));
  return (
    <div className="crumbs">
      {name === null ? (
        <strong>{layoutName ?? 'Hazel Spark'}</strong>
      ) : (
        <>
          <NavLink to="/">{layoutName}</NavLink>
          <span aria-hidden="true">›</span>
          <strong>{name}</strong>
          <span className="note">{note}</span>
        </>
      )}
    </div>
  );
}

const savedText = (state: SaveState): string => {
  if (state.kind === 'failed' || state.kind === 'full') return 'Not saved';
  if (state.kind === 'saving') return 'Saving…';
  if (state.kind === 'idle') return '';
  return `Saved ${timeOf(state.at)}`;
};

function Saved() {
  const saved = useShelfStore((s) => s.save);
  return (
    <span
      className={saved.kind === 'failed' || saved.kind === 'full' ? 'saved failed' : 'saved'}
      role="status"
    >
      {savedText(saved)}
    </span>
  );
}

function UndoAndRedo() {
  const last = useLayoutStore((s) => s.past.at(-1)?.label);
  const next = useLayoutStore((s) => s.future[0]?.label);
  const { undo, redo } = useLayoutStore.getState();
  return (
    <>
      <Button
        icon={<UndoOutlined />}
        aria-label={last === undefined ? 'Undo' : `Undo: ${last}`}
        title={last === undefined ? 'Nothing to take back' : `Take back: ${last}`}
        disabled={last === undefined}
        onClick={undo}
      />
      <Button
        icon={<RedoOutlined />}
        aria-label={next === undefined ? 'Redo' : `Redo: ${next}`}
        title={next === undefined ? 'Nothing to make again' : `Make again: ${next}`}
        disabled={next === undefined}
        onClick={redo}
      />
    </>
  );
}
