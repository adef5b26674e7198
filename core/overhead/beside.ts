import { CircuitError } from '../circuit/error';
import { UPWARD } from '../light/illuminance';
import { areaOf, liesOf } from './area';
import { rigPower, type RigPower } from './power';
import { directLux, sourcesOf, type LitRow } from './sources';
import type { Grid } from './grid';
import type { Layout } from '../document/layout';
import type { RigRecord } from '../document/rig-record';
import type { PieceRun } from './strip-run';

/** What a rig takes; null where a row has no answer. */
export function powerOf(layout: Layout, rig: RigRecord): RigPower | null {
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

/** Light that rows of the rigs lit with one give directly on its boards, by place of its grid. */
export function luxBeside(layout: Layout, rigId: string, grid: Grid): LitRow[] {
  const rig = layout.rigs[rigId];
  const may = mayBeBeside(layout, rigId);
  const { onPlan } = liesOf(layout, rig);
  return rig.litWith
    .filter((id) => may.includes(id))
    .flatMap((id) => {
      const other = layout.rigs[id];
      const { seen } = liesOf(layout, other);
      return sourcesOf(other, areaOf(layout, other), runsOf(powerOf(layout, other))).map((source) => ({
        xy: source.xy,
        lux: Float64Array.from(grid.on, (on, i) => {
          if (!on) return 0;
          const x = grid.xs[i % grid.xs.length];
          const y = grid.ys[Math.floor(i / grid.xs.length)];
          const there = seen(onPlan({ x, y }));
          return directLux(source, there.x, there.y, 0, UPWARD);
        }),
      }));
    });
}
