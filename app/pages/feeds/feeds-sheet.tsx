import { Button, Skeleton } from 'antd';
import { Link } from 'react-router';
import { inOrder } from '../../../core/document/in-order';
import { FRAME_MILLIMETRES, holesOf, type Hole } from '../../../core/feed/holes';
import { formatQuantity } from '../../../core/quantity/format';
import { FigureTable } from '../../fields/figure-table';
import { isRail } from '../../../core/part/rail';
import { useLayoutStore } from '../../store/layout-store';
import { useStudy } from '../../workers/use-study';
import { PlanDrawing } from './plan-drawing';
import { RunList } from './run-list';
import type { Layout } from '../../../core/document/layout';
import '../sheet.css';
import './feeds.css';

/** The boards from beneath, the table of runs and labels for their ends, to be printed. */
export function FeedsSheet() {
  const layout = useLayoutStore((s) => s.layout);
  return layout ? <Sheet layout={layout} /> : <Skeleton active style={{ padding: 24 }} />;
}

const none: ReadonlySet<string> = new Set();
const still = (): void => undefined;

function Sheet({ layout }: { readonly layout: Layout }) {
  const { answer: figures } = useStudy('feeds', layout, {});
  const holes = holesOf(layout);
  const wires = inOrder(layout.network.runs).filter((run) => !isRail(run.wire));
  return (
    <main className="sheet-page feeds-sheet">
      <div className="button-row no-print">
        <Link to="/feeds">Back to the feeds</Link>
        <Button type="primary" onClick={() => print()}>
          Print
        </Button>
      </div>
      <h1>{layout.name}: the boards from beneath</h1>
      <p>
        As one lies on one’s back under them: left and right are changed over. Each run has its label at both
        ends.
      </p>
      <PlanDrawing
        layout={layout}
        figures={figures}
        beneath
        chosen={null}
        flagged={none}
        onChoose={still}
        onMove={still}
      />
      {holes.length > 0 && (
        <>
          <h2>Holes through the boards</h2>
          <p>
            Measured from beneath; they clear a frame of {formatQuantity(FRAME_MILLIMETRES, 'millimetre')}{' '}
            along the edges. Look before drilling what else lies there.
          </p>
          <FigureTable<Hole>
            label="Holes through the boards"
            rows={holes}
            rowKey={(h) => h.place}
            columns={[
              ['For', (h) => layout.network.nodes[h.place].name],
              ['Board', (h) => layout.boards[h.board].name],
              ['From the left', (h) => formatQuantity(h.fromLeft, 'millimetre')],
              ['From the front', (h) => formatQuantity(h.fromFront, 'millimetre')],
              ['Drill', (h) => formatQuantity(h.drillMillimetres, 'millimetre')],
              [
                '',
                (h) =>
                  h.moved > 0 ? `${formatQuantity(h.moved, 'millimetre')} aside, clear of the frame` : '',
              ],
            ]}
          />
        </>
      )}
      <h2>Runs</h2>
      <RunList layout={layout} figures={figures} />
      <h2>Labels</h2>
      <p>Each twice: one for each end, folded round the wires.</p>
      <ul className="feeds-labels">
        {wires.flatMap((run) =>
          [layout.network.nodes[run.to].name, layout.network.nodes[run.from].name].map((other, k) => (
            <li key={`${run.id} ${k}`}>
              <b>{run.label}</b> to {other}
            </li>
          )),
        )}
      </ul>
    </main>
  );
}
