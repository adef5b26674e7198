import { EllipsisOutlined } from '@ant-design/icons';
import { App, Button, Card as Box, Collapse, Dropdown, Empty, Input, Popconfirm, Tag } from 'antd';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { checkLayout } from '../../core/document/file';
import { LinePicture } from '../drawings/line-picture';
import { BrokenLayout } from '../panels/broken-layout';
import { useFileWork } from '../shell/use-file-work';
import { roomOf, whenOf } from '../shell/when';
import { exportLayout, saveFile } from '../storage/files';
import { freshDemo, mark, newLayout, openLayout, settled, shelf } from '../storage/session';
import { Stopped } from '../storage/beside';
import { drawMissing, duplicate, erase, rename } from '../storage/shelf-work';
import { BIN_DAYS } from '../storage/shelf';
import { palette } from '../theme/palette';
import { useLayoutStore } from '../store/layout-store';
import { useShelfStore } from '../store/shelf-store';
import type { Card } from '../storage/database';
import './shelf.css';

const DAY = 24 * 3600 * 1000;
type Does = () => Promise<unknown>;

/** Every layout kept in this browser. */
export function ShelfPage() {
  return (
    <App component={false}>
      <Shelf />
    </App>
  );
}

function Shelf() {
  const cards = useShelfStore((s) => s.cards);
  const notOpened = useShelfStore((s) => s.notOpened);
  const openId = useLayoutStore((s) => s.layoutId);
  const navigate = useNavigate();
  const { message } = App.useApp();
  const [busy, setBusy] = useState(false);
  const { work, progress } = useFileWork();
  /** Does something and says what went wrong with it. */
  const run = async (does: Does): Promise<void> => {
    setBusy(true);
    try {
      await does();
    } catch (error) {
      if (!(error instanceof Stopped))
        void message.error(error instanceof Error ? error.message : String(error));
    } finally {
      setBusy(false);
    }
  };
  const begun = (begins: () => Promise<boolean>) => async (): Promise<void> => {
    if (await begins()) await navigate('/');
  };
  const exportShelf = async (): Promise<void> => {
    await settled();
    const { archive, leftOut } = await work('Packing the shelf', (t, tell) => t.writeShelf(tell));
    saveFile('shelf.hazel.zip', archive, 'application/zip');
    if (leftOut.length > 0)
      void message.warning(
        `Left out, for they cannot be opened: ${leftOut.join(', ')}. Export them as they stand.`,
      );
  };
  const withoutPicture = (cards ?? []).filter((c) => c.picture === null && c.deletedAt === null).length;
  useEffect(() => {
    if (withoutPicture > 0) void drawMissing().catch(() => undefined);
  }, [withoutPicture]);
  const all = [...(cards ?? [])].sort((a, b) => b.changedAt - a.changedAt);
  const out = all.filter((c) => c.deletedAt === null && !c.putAway);
  const away = all.filter((c) => c.deletedAt === null && c.putAway);
  const bin = all.filter((c) => c.deletedAt !== null);
  const list = (of: readonly Card[]) => (
    <ul className="shelf-list">
      {of.map((card) => (
        <li key={card.id}>
          <LayoutCard card={card} open={card.id === openId} run={run} />
        </li>
      ))}
    </ul>
  );
  return (
    <main className="shelf-page">
      {progress}
      <header className="shelf-head">
        <div>
          <h1>Shelf</h1>
          <p className="hint">
            {all.length} {all.length === 1 ? 'layout' : 'layouts'} kept in this browser,{' '}
            {roomOf(all.reduce((sum, c) => sum + c.bytes, 0))} with their history
            <Quota />. A file dropped on this window is added.
          </p>
        </div>
        <div className="button-row">
          <Button type="primary" disabled={busy} onClick={() => void run(begun(newLayout))}>
            Begin a layout
          </Button>
          <Button disabled={busy} onClick={() => void run(begun(freshDemo))}>
            The demo, fresh
          </Button>
          <Button disabled={busy || all.length === 0} onClick={() => void run(exportShelf)}>
            Export the whole shelf
          </Button>
        </div>
      </header>
      {notOpened && <BrokenLayout key={notOpened.id} id={notOpened.id} name={notOpened.name} />}
      {cards !== null && out.length === 0 && (
        <Empty
          image={Empty.PRESENTED_IMAGE_SIMPLE}
          description="Nothing stands here yet: begin a layout, take the demo, or drop a file on this window."
        />
      )}
      {list(out)}
      <Collapse
        ghost
        items={[
          ...(away.length > 0
            ? [{ key: 'away', label: `Put away (${away.length})`, children: list(away) }]
            : []),
          ...(bin.length > 0
            ? [
                {
                  key: 'bin',
                  label: `Thrown away (${bin.length}), each kept for ${BIN_DAYS} days`,
                  children: (
                    <ul className="bin-list">
                      {bin.map((card) => (
                        <li key={card.id}>
                          <ThrownAway card={card} run={run} />
                        </li>
                      ))}
                    </ul>
                  ),
                },
              ]
            : []),
        ]}
      />
    </main>
  );
}

/** What the browser says of the room it gives. */
function Quota() {
  const [words, setWords] = useState('');
  useEffect(() => {
    let current = true;
    void navigator.storage?.estimate?.().then(({ quota, usage }) => {
      if (current && quota !== undefined && usage !== undefined)
        setWords(`; the browser uses ${roomOf(usage)} of ${roomOf(quota)} for this page`);
    });
    return () => {
      current = false;
    };
  }, []);
  return <>{words}</>;
}

interface LayoutCardProps {
  readonly card: Card;
  readonly open: boolean;
  readonly run: (does: Does) => Promise<void>;
}

function LayoutCard({ card, open, run }: LayoutCardProps) {
  const navigate = useNavigate();
  const [naming, setNaming] = useState<string | null>(null);
  const go = (to: string) => async (): Promise<void> => {
    if (open || (await openLayout(card.id))) await navigate(to);
  };
  const name = async (): Promise<void> => {
    if (naming !== null && naming.trim() !== '' && naming !== card.name)
      await run(() => rename(card.id, naming.trim().slice(0, 120)));
    setNaming(null);
  };
  const exportIt = async (): Promise<void> => {
    const mine = await shelf();
    const read = checkLayout(await mine.stateAt(card.id, card.head));
    if (!read.ok) throw new Error(`It cannot be opened: ${read.complaints[0].reason}`);
    exportLayout(read.layout);
    await mark(card.id, { exported: { at: Date.now(), seq: card.head } });
  };
  const menu: Record<string, { label: string; does: Does | (() => void); danger?: boolean }> = {
    history: { label: 'History', does: () => run(go('/shelf/history')) },
    rename: { label: 'Rename', does: () => setNaming(card.name) },
    duplicate: { label: 'Duplicate', does: () => run(() => duplicate(card.id)) },
    export: { label: 'Export', does: () => run(exportIt) },
    away: {
      label: card.putAway ? 'Take out again' : 'Put away',
      does: () => run(() => mark(card.id, { putAway: !card.putAway })),
    },
    delete: {
      label: 'Throw away',
      danger: true,
      does: () => run(() => mark(card.id, { deletedAt: Date.now() })),
    },
  };
  return (
    <Box
      size="small"
      className={open ? 'layout-card open' : 'layout-card'}
      cover={<LinePicture sketch={card.picture} name={card.name} />}
    >
      <div className="layout-card-head">
        {naming === null ? (
          <h2>{card.name}</h2>
        ) : (
          <Input
            aria-label="Name of the layout"
            value={naming}
            maxLength={120}
            autoFocus
            onChange={(e) => setNaming(e.target.value)}
            onPressEnter={() => void name()}
            onBlur={() => void name()}
            onKeyDown={(e) => e.key === 'Escape' && setNaming(null)}
          />
        )}
        {open && <Tag color={palette.moss}>open</Tag>}
      </div>
      <p className="facts">
        <span>{card.scale}</span>
        <span>
          {card.jobs} {card.jobs === 1 ? 'job' : 'jobs'}
        </span>
        <span>{roomOf(card.bytes)}</span>
      </p>
      <p className="facts">
        changed {whenOf(card.changedAt)};{' '}
        {card.exported ? `exported ${whenOf(card.exported.at)}` : 'never exported'}
      </p>
      <div className="button-row">
        <Button type={open ? 'default' : 'primary'} onClick={() => void run(go('/'))}>
          {open ? 'Go to its line' : 'Open'}
        </Button>
        <Dropdown
          trigger={['click']}
          menu={{
            items: Object.entries(menu).map(([key, { label, danger }]) => ({ key, label, danger })),
            onClick: ({ key }) => void menu[key].does(),
          }}
        >
          <Button aria-label={`More for ${card.name}`} icon={<EllipsisOutlined />} />
        </Dropdown>
      </div>
    </Box>
  );
}

const daysLeft = (deletedAt: number): number =>
  Math.max(0, Math.ceil(BIN_DAYS - (Date.now() - deletedAt) / DAY));

function ThrownAway({ card, run }: Omit<LayoutCardProps, 'open'>) {
  const days = daysLeft(card.deletedAt ?? 0);
  return (
    <div className="thrown-away">
      <span>
        <b>{card.name}</b> <small>goes for good in {days} days</small>
      </span>
      <span className="button-row">
        <Button size="small" onClick={() => void run(() => mark(card.id, { deletedAt: null }))}>
          Take back
        </Button>
        <Popconfirm
          title="Gone for good, with its history?"
          okText="Delete for good"
          cancelText="Keep it"
          onConfirm={() => void run(() => erase(card.id))}
        >
          <Button size="small" danger>
            Delete now
          </Button>
        </Popconfirm>
      </span>
    </div>
  );
}
