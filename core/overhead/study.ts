import { CircuitError } from '../circuit/error';
import { rigLight, type RigLight } from './light';
import { rigPower, type RigPower } from './power';
import type { Layout } from '../document/layout';
import type { RigRecord } from '../document/rig-record';
import type { PieceRun } from './strip-run';

/** A rig with all that is known of it. */
export interface RigStudy {
  readonly light: RigLight;
  /** Null where a row has no answer. */
  readonly power: RigPower | null;
}

/** Pieces of each row as they are fed. */
const runsOf = (power: RigPower | null): ReadonlyMap<string, readonly PieceRun[]> =>
  new Map((power?.rows ?? []).map((r) => [r.rowId, r.runs]));

/** The map of a rig whose row is just being moved is as fine as this, in millimetres. */
const MOVED_STEP = 25;

/** A row of a rig, or how far it is dimmed, while a hand moves it. */
export interface MovedRow {
  readonly rowId: string;
  readonly key: 'heightMillimetres' | 'depthMillimetres' | 'level';
  readonly to: number;
}

/** A rig with one of its rows moved. */
export const withRow = (rig: RigRecord, { rowId, key, to }: MovedRow): RigRecord => ({
  ...rig,
  rows: { ...rig.rows, [rowId]: { ...rig.rows[rowId], [key]: to } },
});

/**
 * The light of a rig while one of its rows is moved, on a coarse map: what its rows take is as it was, for
 * that does not hang on where they are.
 */
export const movedLight = (
  layout: Pick<Layout, 'boards'>,
  rig: RigRecord,
  { power }: Pick<RigStudy, 'power'>,
): RigLight => rigLight(layout, rig, runsOf(power), MOVED_STEP);

/** Light of a rig with what its copper leaves, and what it takes. @throws RangeError when there is no such rig */
export function rigStudy(layout: Layout, rigId: string, stepMillimetres?: number): RigStudy {
  if (!Object.hasOwn(layout.rigs, rigId)) throw new RangeError(`there is no rig ${rigId}`);
  const rig = layout.rigs[rigId];
  let power: RigPower | null;
  try {
    power = rigPower(layout, rig);
  } catch (error) {
    if (!(error instanceof CircuitError)) throw error;
    power = null;
  }
  return { light: rigLight(layout, rig, runsOf(power), stepMillimetres), power };
}
