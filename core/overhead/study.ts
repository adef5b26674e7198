import { lightsBeside, powerOf, runsOf } from './beside';
import { KeptLux, rigLight, type RigLight } from './light';
import type { RigPower } from './power';
import type { Layout } from '../document/layout';
import type { RigRecord } from '../document/rig-record';

/** A rig with all that is known of it. */
export interface RigStudy {
  readonly light: RigLight;
  /** Null where a row has no answer. */
  readonly power: RigPower | null;
}

/** The map of a rig whose row is just being moved is as fine as this, in millimetres. */
export const MOVED_STEP = 30;

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
 * that does not hang on where they are, and so is the light of all that is left as it hangs.
 * @returns for the rig with its row where the hand has it
 */
export function movingLight(
  layout: Layout,
  rigId: string,
  { power }: Pick<RigStudy, 'power'>,
): (moved: RigRecord) => RigLight {
  const as = {
    runs: runsOf(power),
    stepMillimetres: MOVED_STEP,
    beside: lightsBeside(layout, rigId),
    kept: new KeptLux(),
  };
  return (moved) => rigLight(layout, moved, as);
}

/** Light of a rig with what its copper leaves, and what it takes. @throws RangeError when there is no such rig */
export function rigStudy(layout: Layout, rigId: string, stepMillimetres?: number): RigStudy {
  if (!Object.hasOwn(layout.rigs, rigId)) throw new RangeError(`there is no rig ${rigId}`);
  const rig = layout.rigs[rigId];
  const power = powerOf(layout, rig);
  const light = rigLight(layout, rig, {
    runs: runsOf(power),
    stepMillimetres,
    beside: lightsBeside(layout, rigId),
  });
  return { light, power };
}
