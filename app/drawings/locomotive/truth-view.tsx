import { inOrder } from '../../../core/document/in-order';
import { lampName } from '../../../core/document/lamp-name';
import { switchedOn } from '../../../core/study/locomotive/expected';
import { screenColour } from '../../../core/light/colour';
import type { TruthTable, LampVerdict } from '../../../core/study/locomotive/states';
import type { LocomotiveRecord } from '../../../core/document/locomotive-record';
import type { VehicleState } from '../../../core/study/locomotive/vehicle';

interface TruthViewProps {
  readonly job: LocomotiveRecord;
  readonly table: TruthTable;
  readonly now: VehicleState;
  readonly onSet: (state: VehicleState) => void;
}

/** States shown at once; more are a press away. */
const MOST_ROWS = 64;

/** Every reachable state, solved: what shines, how brightly, and whether it is meant to. A row sets the stage. */
export function TruthView({ job, table, now, onSet }: TruthViewProps) {
  /** Switches as they stand, the document's where a hand has not moved them. */
  const switchesOf = (state: VehicleState): boolean[] =>
    inOrder(job.circuits)
      .filter((c) => c.switch !== null)
      .map((c) => switchedOn(job, c.id, state));
  const lamps = inOrder(job.lamps).filter((l) => l.circuitId !== null);
  const rows = table.rows.slice(0, MOST_ROWS);
  const current = JSON.stringify([now.direction, now.functions, now.presses, now.moving, switchesOf(now)]);
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
              const here =
                JSON.stringify([
                  state.direction,
                  state.functions,
                  state.presses,
                  state.moving,
                  switchesOf(state),
                ]) === current;
              return (
                <tr key={JSON.stringify(state)} className={here ? 'here' : undefined}>
                  <th>
                    <button type="button" onClick={() => onSet(state)}>
                      {state.direction === 'forward' ? '← ' : '→ '}
                      {job.decoder
                        ? state.functions.map((f) => `F${f}`).join(' ') || 'none'
                        : state.direction}
                      {job.decoder?.stepped && state.presses > 0 ? ` ·${state.presses}` : ''}
                      {table.rows.some((r) => r.state.moving !== state.moving) && !state.moving
                        ? ' standing'
                        : ''}
                      {Object.values(state.switches).some((on) => !on) ? ' · sw. off' : ''}
                    </button>
                  </th>
                  {lamps.map((l) => (
                    <Cell key={l.id} dies={row.lamps.filter((v) => v.lampId === l.id)} />
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

function Cell({ dies }: { readonly dies: readonly LampVerdict[] }) {
  const shown = dies.reduce<LampVerdict | null>(
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
function paint(l: LampVerdict): { background: string; color: string } {
  const strength = Math.round(30 + 70 * Math.min(1, l.lightness / 100));
  const bright = l.xy.y > 0.33 && strength > 55;
  return {
    background: `color-mix(in srgb, ${screenColour(l.xy)} ${strength}%, #1a2422)`,
    color: bright ? '#14100a' : '#fffdf7',
  };
}
