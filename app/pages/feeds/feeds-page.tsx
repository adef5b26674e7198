import { Button, Segmented, Skeleton } from 'antd';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { runCsv, runTable } from '../../../core/build/lists/run-table';
import { patched } from '../../../core/document/patch';
import { FindingsPanel } from '../../bench/findings-panel';
import { PreviewBand } from '../../bench/preview-band';
import { saveFile } from '../../storage/files';
import { useLayoutStore } from '../../store/layout-store';
import { useStudy } from '../../workers/use-study';
import { AddThings } from './add-things';
import { BoardFields } from './board-fields';
import { PlaceFields } from './place-fields';
import { PlanDrawing, type Chosen } from './plan-drawing';
import { PlanWires } from './plan-wires';
import { RunFields } from './run-fields';
import { RunList } from './run-list';
import { LoadBars } from '../../fields/load-bars';
import type { FeedFigures } from '../../../core/feed/reading';
import type { Finding, Remedy } from '../../../core/finding/finding';
import type { Layout } from '../../../core/document/layout';
import '../../bench/bench.css';
import './feeds.css';

/** The power under the boards: the plan, what flows, what needs attention. */
export function FeedsPage() {
  const layout = useLayoutStore((s) => s.layout);
  return layout ? <Feeds layout={layout} /> : <Skeleton active style={{ padding: 24 }} />;
}

/** Places and runs that findings worth minding are about. */
const flaggedBy = (findings: readonly Finding[]): Set<string> =>
  new Set(
    findings
      .filter((f) => f.severity !== 'note')
      .flatMap((f) => f.paths.flatMap((p) => (p[0] === 'network' && p.length > 2 ? [String(p[2])] : []))),
  );

const nothing: readonly Finding[] = [];

function Feeds({ layout: open }: { readonly layout: Layout }) {
  const apply = useLayoutStore((s) => s.apply);
  const edit = useLayoutStore((s) => s.edit);
  const [view, setView] = useState<'above' | 'beneath'>('above');
  const [chosen, setChosen] = useState<Chosen | null>(null);
  const [preview, setPreview] = useState<{ readonly remedy: Remedy; readonly of: Layout } | null>(null);
  const shown = preview?.of === open ? preview.remedy : null;
  const layout = useMemo(() => (shown ? patched(open, shown.patches) : open), [open, shown]);
  const feeds = useStudy('feeds', layout, {});
  const sums = useStudy('supplySums', layout, {}).answer;
  const judged = useStudy('judgeFeeds', open, {}, 'slow');
  const figures = feeds.answer;
  const findings = judged.answer ?? nothing;
  const onApply = (remedy: Remedy): void => {
    setPreview(null);
    apply(remedy.label, remedy.patches);
  };
  const runs = Object.keys(layout.network.runs).length;
  return (
    <main className="feeds-page">
      <h1 className="visually-hidden">{layout.name}, the power under the boards</h1>
      <div className="feeds-plan">
        <div className="feeds-bar">
          <Segmented<'above' | 'beneath'>
            aria-label="Seen from"
            options={[
              { value: 'above', label: 'From above' },
              { value: 'beneath', label: 'From beneath' },
            ]}
            value={view}
            onChange={setView}
          />
          <LoadBars
            loads={(sums?.sums ?? []).flatMap((s) =>
              figures?.supplies.has(s.supplyId) ? [{ ...s, id: s.supplyId }] : [],
            )}
          />
        </div>
        {shown && <PreviewBand remedy={shown} onKeep={onApply} onBack={() => setPreview(null)} />}
        <PlanDrawing
          layout={layout}
          figures={figures}
          beneath={view === 'beneath'}
          chosen={chosen}
          flagged={flaggedBy(findings)}
          onChoose={setChosen}
          onMove={(id, x, y) =>
            edit(
              `${layout.network.nodes[id].name} moved`,
              (draft) => Object.assign(draft.network.nodes[id], { xMillimetres: x, yMillimetres: y }),
              `move ${id}`,
            )
          }
        />
      </div>
      <section className="feeds-runs">
        <div className="jobs-head">
          <h2>Runs</h2>
          <span className="button-row">
            <Button
              disabled={runs === 0}
              onClick={() => saveFile('runs.csv', runCsv(runTable(layout, figures)), 'text/csv')}
            >
              Save as CSV
            </Button>
            <Link className="ant-btn ant-btn-default feeds-print" to="/feeds/sheet">
              Sheet to print
            </Link>
          </span>
        </div>
        {runs === 0 ? (
          <p className="hint">
            None yet. Lay a row of boards and a bus along them, then put lamps and jobs on the plan: each is
            fed from the nearest strip of its supply.
          </p>
        ) : (
          <RunList
            layout={layout}
            figures={figures}
            stale={feeds.stale}
            chosen={chosen?.kind === 'run' ? chosen.id : null}
            onChoose={(id) => setChosen({ kind: 'run', id })}
          />
        )}
      </section>
      <aside className="feeds-side">
        {chosen && (
          <section className="feeds-chosen">
            <ChosenFields layout={layout} chosen={chosen} figures={figures} />
          </section>
        )}
        <FindingsPanel
          findings={findings}
          stale={judged.stale}
          failure={judged.failure}
          previewed={shown}
          onPreview={(remedy) => setPreview(remedy && { remedy, of: open })}
          onApply={onApply}
        />
        <section className="feeds-chosen">
          <h2>Put on the plan</h2>
          <AddThings layout={layout} onChoose={setChosen} />
          <PlanWires
            layout={open}
            onPreview={(remedy) => setPreview({ remedy, of: open })}
            onApply={onApply}
          />
          <p className="hint">
            Buy supplies ready made and approved. What lies before them is mains: for a qualified person and
            local codes.
          </p>
        </section>
      </aside>
    </main>
  );
}

interface ChosenFieldsProps {
  readonly layout: Layout;
  readonly chosen: Chosen | null;
  readonly figures: FeedFigures | null;
}

/** The fields of what is looked at. */
function ChosenFields({ layout, chosen, figures }: ChosenFieldsProps) {
  const { nodes, runs } = layout.network;
  if (chosen?.kind === 'place' && Object.hasOwn(nodes, chosen.id))
    return (
      <PlaceFields key={chosen.id} layout={layout} id={chosen.id} node={nodes[chosen.id]} figures={figures} />
    );
  if (chosen?.kind === 'run' && Object.hasOwn(runs, chosen.id))
    return (
      <RunFields key={chosen.id} layout={layout} id={chosen.id} run={runs[chosen.id]} figures={figures} />
    );
  if (chosen?.kind === 'board' && Object.hasOwn(layout.boards, chosen.id))
    return <BoardFields key={chosen.id} id={chosen.id} board={layout.boards[chosen.id]} />;
  return <p className="hint">Choose a thing, a run or a board on the plan.</p>;
}
