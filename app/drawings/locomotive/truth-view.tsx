import { inOrder } from '../../../core/document/in-order';
import { lampName } from '../../../core/kinds/locomotive/lamp-name';
import { functionsOn, isMoving, pressesIn } from '../../../core/supply/drivers/decoder';
import { screenColour } from '../../../core/light/colour';
import type { TruthTable, DieVerdict } from '../../../core/study/truth-table';
import type { LocomotiveRecord } from '../../../core/kinds/locomotive/record';
import type { State } from '../../../core/supply/state';

interface TruthViewProps {
  readonly job: LocomotiveRecord;
  readonly table: TruthTable;
  readonly now: State;
  readonly onSet: (state: State) => void;
}

/** States shown at once; more are a press away. */
const MOST_ROWS = 64;

/** Every reachable state, solved: what shines, how brightly, and whether it is meant to. A row sets the stage. */
export function TruthView({ job, table, now, onSet }: TruthViewProps) {
  /** How a state sets what the table tells states by. */
  const keyOf = (state: State): string =>
    JSON.stringify(table.inputs.filter((i) => 'values' in i.domain).map((i) => state[i.id] ?? i.usual));
  const lamps = inOrder(job.lamps).filter((l) => l.circuitId !== null);
  const rows = table.rows.slice(0, MOST_ROWS);
  const current = keyOf(now);
  return (
    <div className="truth">
      <p className="hint">
        {table.rows.length} states, each solved. A number is the light to the eye, 100 for a full headlight.{' '}
        <span className="mark wrong">Not as meant</span> is outlined. Press a row to set it on the stage.
      </p>
      {table.grouped && <p className="proposal">{table.grouped}</p>}
      <div className="truth-scroll">
        <table>
          <thead>
            <tr>
              <th>State</th>
              {lamps.map((l) => (
                <th key={l.id}>
                  <span>{lampName(job, l.id)}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => {
              const { state } = row;
              const here = keyOf(state) === current;
              const off = table.inputs.filter((i) => i.id.startsWith('switch ') && state[i.id] === false);
              return (
                <tr key={`${keyOf(state)} ${row.phase.id}`} className={here ? 'here' : undefined}>
                  <th>
                    <button type="button" onClick={() => onSet(state)}>
                      {state.direction === 'reverse' ? '→ ' : '← '}
                      {job.decoder
                        ? functionsOn(state)
                            .map((f) => `F${f}`)
                            .join(' ') || 'none'
                        : String(state.direction ?? '')}
                      {job.decoder?.stepped && pressesIn(state) > 0 ? ` ·${pressesIn(state)}` : ''}
                      {isMoving(state) ? '' : ' standing'}
                      {off.map((i) => ` · ${i.name} off`).join('')}
                      {row.phase.id === '' ? '' : ` · ${row.phase.id}`}
                    </button>
                  </th>
                  {lamps.map((l) => (
                    <Cell key={l.id} dies={row.dies.filter((v) => v.lampId === l.id)} />
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {table.rows.length > MOST_ROWS && (
        <p className="hint">The first {MOST_ROWS} are shown; the findings judge all of them.</p>
      )}
    </div>
  );
}

function Cell({ dies }: { readonly dies: readonly DieVerdict[] }) {
  const shown = dies.reduce<DieVerdict | null>(
    (best, d) => (!best || d.lightness > best.lightness ? d : best),
    null,
  );
  if (!shown) return <td />;
  const wrong = dies.some((d) => d.should !== (d.does === 'lit'));
  const lit = shown.does !== 'dark';
  return (
    <td className={wrong ? 'wrong' : undefined}>
      <span className={lit ? 'light' : 'light off'} style={lit ? paint(shown) : undefined}>
        {lit ? shown.lightness.toFixed(0) : '·'}
      </span>
    </td>
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
