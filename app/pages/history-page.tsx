import { App, Button, Empty, Input, Modal, Popconfirm, Skeleton, Tag } from 'antd';
import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { checkLayout } from '../../core/document/file';
import { differences } from '../../core/document/differences';
import { versionsOf, type Version } from '../../core/document/versions';
import { LinePicture } from '../drawings/line-picture';
import { dayOf, roomOf, timeOf, whenOf } from '../shell/when';
import { exportLayout } from '../storage/files';
import { shelf } from '../storage/session';
import { restore } from '../storage/shelf-work';
import { useLayoutStore } from '../store/layout-store';
import { useShelfStore } from '../store/shelf-store';
import { palette } from '../theme/palette';
import { useStudy } from '../workers/use-study';
import type { Layout } from '../../core/document/layout';
import type { Shelf } from '../storage/shelf';
import './shelf.css';

/** What the open layout was: its states by day, to be looked at, named, exported and restored. */
export function HistoryPage() {
  const layout = useLayoutStore((s) => s.layout);
  const layoutId = useLayoutStore((s) => s.layoutId);
  if (!layout || layoutId === null)
    return (
      <main className="shelf-page">
        <Empty
          image={Empty.PRESENTED_IMAGE_SIMPLE}
          description="No layout is open, or it is not kept: open one on the Shelf."
        />
      </main>
    );
  return (
    <App component={false}>
      <History key={layoutId} layout={layout} layoutId={layoutId} />
    </App>
  );
}

interface HistoryProps {
  readonly layout: Layout;
  readonly layoutId: string;
}

/** Days shown at once; older ones follow on a press. */
const DAYS = 14;

function History({ layout, layoutId }: HistoryProps) {
  const card = useShelfStore((s) => s.cards?.find((c) => c.id === layoutId));
  const saved = useShelfStore((s) => (s.save.kind === 'saved' ? s.save.at : 0));
  const [past, setPast] = useState<Awaited<ReturnType<Shelf['history']>> | null>(null);
  const [marked, setMarked] = useState(0);
  const [chosen, setChosen] = useState<number | null>(null);
  const [days, setDays] = useState(DAYS);
  useEffect(() => {
    let current = true;
    void shelf()
      .then((s) => s.history(layoutId))
      .then((h) => current && setPast(h));
    return () => {
      current = false;
    };
  }, [layoutId, saved, marked]);
  const versions = useMemo(() => past && versionsOf(past.kept, past.steps, layout), [past, layout]);
  const byDay = useMemo(() => {
    const groups = new Map<string, Version[]>();
    for (const v of versions ?? []) {
      const day = new Date(v.to).toDateString();
      groups.set(day, [...(groups.get(day) ?? []), v]);
    }
    return [...groups.values()];
  }, [versions]);
  if (!versions) return <Skeleton active style={{ padding: 24 }} />;
  const shown = versions.find((v) => v.seq === chosen) ?? null;
  return (
    <main className="history-page">
      <section className="history-list" aria-label="States by day">
        <h1>{layout.name}: what it was</h1>
        <p className="hint">
          {card ? `${roomOf(card.bytes)} of room. ` : ''}Steps are kept for 30 days; older states lie further
          apart the older they are, and named ones stay. <Link to="/shelf">Back to the shelf</Link>
        </p>
        {byDay.slice(0, days).map((of) => (
          <section key={of[0].seq} aria-label={dayOf(of[0].to)}>
            <h2>{dayOf(of[0].to)}</h2>
            <ul>
              {of.map((v) => (
                <li key={v.seq}>
                  <Button
                    type="text"
                    block
                    className={v.seq === shown?.seq ? 'version at' : 'version'}
                    aria-pressed={v.seq === shown?.seq}
                    onClick={() => setChosen(v.seq)}
                  >
                    <time>
                      {v.from === v.to || timeOf(v.from) === timeOf(v.to)
                        ? timeOf(v.to)
                        : `${timeOf(v.from)} to ${timeOf(v.to)}`}
                    </time>
                    <span className="says">
                      {v.name !== null && <Tag color={palette.moss}>{v.name}</Tag>}
                      {v.says.join(', ') || 'kept in passing'}
                    </span>
                  </Button>
                </li>
              ))}
            </ul>
          </section>
        ))}
        {byDay.length > days && <Button onClick={() => setDays(days + DAYS)}>Older days</Button>}
      </section>
      <section className="history-look" aria-label="The chosen state">
        {shown ? (
          <Look
            key={shown.seq}
            layout={layout}
            layoutId={layoutId}
            version={shown}
            onNamed={() => setMarked(marked + 1)}
          />
        ) : (
          <Empty image={Empty.PRESENTED_IMAGE_SIMPLE} description="Choose a state to look at it." />
        )}
      </section>
    </main>
  );
}

interface LookProps extends HistoryProps {
  readonly version: Version;
  readonly onNamed: () => void;
}

/** One state of the past beside the layout as it is now. */
function Look({ layout, layoutId, version, onNamed }: LookProps) {
  const [then, setThen] = useState<Layout | null>(null);
  const [failure, setFailure] = useState<string | null>(null);
  const [naming, setNaming] = useState<string | null>(null);
  const { message } = App.useApp();
  const { seq, to } = version;
  useEffect(() => {
    let current = true;
    shelf()
      .then((s) => s.stateAt(layoutId, seq))
      .then((raw) => {
        const read = checkLayout(raw);
        if (!current) return;
        if (read.ok) setThen(read.layout);
        else setFailure(read.complaints[0].reason);
      })
      .catch((e: Error) => current && setFailure(e.message));
    return () => {
      current = false;
    };
  }, [layoutId, seq]);
  const sketch = useStudy('lineSketch', then ?? layout, then ? {} : null, 'slow');
  const since = useMemo(() => (then ? differences(then, layout) : []), [then, layout]);
  if (failure !== null) return <p role="alert">This state cannot be shown: {failure}.</p>;
  if (!then) return <Skeleton active />;
  const when = whenOf(to);
  const name = async (): Promise<void> => {
    const given = naming?.trim() ?? '';
    setNaming(null);
    await (await shelf()).nameState(layoutId, seq, given === '' ? null : given.slice(0, 80), to);
    onNamed();
  };
  return (
    <>
      <LinePicture sketch={sketch.answer} name={then.name} />
      <h2>{version.name ?? when}</h2>
      {version.name !== null && <p className="hint">{when}</p>}
      <div className="button-row">
        <Popconfirm
          title="Go back to this state?"
          description="A new step: Undo brings back what is there now."
          okText="Go back to it"
          cancelText="Stay"
          disabled={since.length === 0}
          onConfirm={() => {
            const refused = restore(then, `Back to ${when}`);
            if (refused === null) void message.success('The layout is as it was. Undo takes it back.');
          }}
        >
          <Button type="primary" disabled={since.length === 0}>
            Restore it
          </Button>
        </Popconfirm>
        <Button onClick={() => setNaming(version.name ?? '')}>
          {version.name === null ? 'Name it' : 'Rename it'}
        </Button>
        <Button onClick={() => exportLayout(then)}>Export it</Button>
      </div>
      <h3>{since.length === 0 ? 'It is as the layout is now.' : 'What has changed since'}</h3>
      <ul className="differences">
        {since.map((d, i) => (
          <li key={`${i} ${d.what}`}>
            {d.what}: <s>{d.before}</s> <b>{d.after}</b>
          </li>
        ))}
      </ul>
      <Modal
        open={naming !== null}
        title="A name for this state"
        okText="Keep it under this name"
        onOk={() => void name().catch((e: Error) => message.error(e.message))}
        onCancel={() => setNaming(null)}
      >
        <p>Named states are kept whole for good. Without a name it is thinned out like the others.</p>
        <Input
          aria-label="Name of the state"
          placeholder="before the coach went together"
          value={naming ?? ''}
          maxLength={80}
          autoFocus
          onChange={(e) => setNaming(e.target.value)}
          onPressEnter={(e) => {
            // The press must not go on to the button that the focus returns to.
            e.preventDefault();
            void name().catch((error: Error) => message.error(error.message));
          }}
        />
      </Modal>
    </>
  );
}
