import { Button, Table } from 'antd';
import { screenColour } from '../../core/light/colour';
import { lampNamesOf } from '../../core/study/lamp-names';
import { stateWords } from '../../core/study/state-words';
import { useStudy } from '../workers/use-study';
import type { DieVerdict, TruthRow, TruthTable } from '../../core/study/truth-table';
import type { PictureProps } from '../kinds/face';
import type { State } from '../../core/supply/state';
import './states.css';

/** Rows of one page. */
const ROWS = 32;

/** Every reachable state, solved: what shines, how brightly, and whether it is meant to. A row sets the stage. */
export function StatesPicture({ layout, jobId, job, solved, hand, onState }: PictureProps) {
  const study = useStudy('states', layout, { jobId, supplyId: hand.supplyId ?? undefined });
  const table = study.answer;
  if (!table) return <p className="stale-note">{study.failure ?? 'Being worked out…'}</p>;
  const names = lampNamesOf(layout, jobId);
  const lamps = [...names.keys()].filter((id) => job.lamps[id].circuitId !== null);
  const now = keyOf(table, solved.state);
  return (
    <div className="states">
      <p className="hint">
        {table.rows.length} states, each solved. A number is the light to the eye, 100 for full light.{' '}
        <span className="mark wrong">Not as meant</span> is outlined. Press a row to set it on the stage.
      </p>
      {table.grouped && <p className="proposal">{table.grouped}</p>}
      {table.unsolved.length > 0 && (
        <p className="field-refusal">
          {table.unsolved.length} more have no answer: {table.unsolved[0].reason}
        </p>
      )}
      <Table<TruthRow>
        className={study.stale ? 'stale' : undefined}
        aria-label="All states"
        size="small"
        dataSource={table.rows as TruthRow[]}
        pagination={{ pageSize: ROWS, hideOnSinglePage: true, showSizeChanger: false, size: 'small' }}
        scroll={{ x: 'max-content' }}
        rowKey={(row) => `${keyOf(table, row.state)} ${row.phase.id}`}
        rowClassName={(row) => (keyOf(table, row.state) === now ? 'here' : '')}
        columns={[
          {
            title: 'State',
            fixed: 'left',
            render: (_, row) => (
              <Button type="text" size="small" onClick={() => onState(row.state)}>
                {stateWords(solved.bench, row.state, { phase: row.phase })}
              </Button>
            ),
          },
          ...lamps.map((id) => ({
            key: id,
            title: <span className="lamp-name">{names.get(id)}</span>,
            align: 'center' as const,
            render: (_: unknown, row: TruthRow) => (
              <LampState dies={row.dies.filter((v) => v.lampId === id)} />
            ),
          })),
        ]}
      />
    </div>
  );
}

/** How a state sets what the table tells states by. */
const keyOf = (table: TruthTable, state: State): string =>
  JSON.stringify(table.inputs.filter((i) => 'values' in i.domain).map((i) => state[i.id] ?? i.usual));

function LampState({ dies }: { readonly dies: readonly DieVerdict[] }) {
  const shown = dies.reduce<DieVerdict | null>(
    (best, d) => (!best || d.lightness > best.lightness ? d : best),
    null,
  );
  if (!shown) return null;
  const wrong = dies.some((d) => d.should !== (d.does === 'lit'));
  const lit = shown.does !== 'dark';
  return (
    <span
      className={`light${lit ? '' : ' off'}${wrong ? ' wrong' : ''}`}
      title={wrong ? 'not as meant' : undefined}
      style={lit ? paint(shown) : undefined}
    >
      {lit ? shown.lightness.toFixed(0) : '·'}
    </span>
  );
}

/** The lamp's colour as strong as it shines, with figures that stand out on it. */
function paint(l: DieVerdict): { background: string; color: string } {
  const strength = Math.round(30 + 70 * Math.min(1, l.lightness / 100));
  const bright = l.xy.y > 0.33 && strength > 55;
  return {
    background: `color-mix(in srgb, ${screenColour(l.xy)} ${strength}%, #1a2422)`,
    color: bright ? '#14100a' : '#fffdf7',
  };
}
