import { CircuitError } from '../circuit/error';
import { UPWARD } from '../light/illuminance';
import { areaOf, liesOf } from './area';
import { rigPower, type RigPower } from './power';
import { directLux, sourcesOf, type Light } from './sources';
import type { Layout } from '../document/layout';
import type { RigRecord } from '../document/rig-record';
import type { PieceRun } from './strip-run';

/** What a rig takes; null where a row has no answer. */
export function powerOf(layout: Pick<Layout, 'boards'>, rig: RigRecord): RigPower | null {
  try {
    return rigPower(layout, rig);
  } catch (error) {
    if (!(error instanceof CircuitError)) throw error;
    return null;
  }
}

/** Pieces of each row as they are fed. */
export const runsOf = (power: RigPower | null): ReadonlyMap<string, readonly PieceRun[]> =>
  new Map((power?.rows ?? []).map((r) => [r.rowId, r.runs]));

/** Rigs that may be lit with one: those that hang over other boards. Over the same boards they are one instead of the other. */
export const mayBeBeside = ({ rigs }: Pick<Layout, 'rigs'>, rigId: string): string[] =>
  Object.keys(rigs).filter(
    (id) =>
      id !== rigId &&
      rigs[id].boards.length > 0 &&
      rigs[rigId].boards.length > 0 &&
      !rigs[id].boards.some((b) => rigs[rigId].boards.includes(b)),
  );

/** What the rows of rigs lit with one are to it: each where it hangs on the plan, as its own copper leaves it. */
export function lightsBeside(layout: Layout, rigId: string): Light[] {
  const rig = layout.rigs[rigId];
  const may = mayBeBeside(layout, rigId);
  const { onPlan } = liesOf(layout, rig);
  return rig.litWith
    .filter((id) => may.includes(id))
    .flatMap((id) => {
      const other = layout.rigs[id];
      const { seen } = liesOf(layout, other);
      const there = (x: number, y: number) => seen(onPlan({ x, y }));
      return sourcesOf(other, areaOf(layout, other), runsOf(powerOf(layout, other))).map((source): Light => {
        const at: Light['at'] = (x, y, z, [across, deep, up]) => {
          const [from, to] = [there(x, y), there(x + across, y + deep)];
          return directLux(source, from.x, from.y, z, [to.x - from.x, to.y - from.y, up]);
        };
        return {
          xy: source.xy,
          at,
          onBoards: ({ xs, ys, on }) =>
            Float64Array.from(on, (board, i) =>
              board ? at(xs[i % xs.length], ys[Math.floor(i / xs.length)], 0, UPWARD) : 0,
            ),
        };
      });
    });
}
