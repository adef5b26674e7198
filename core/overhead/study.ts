import { CircuitError } from '../circuit/error';
import { rigLight, type RigLight } from './light';
import { rigPower, type RigPower } from './power';
import type { Layout } from '../document/layout';

/** A rig with all that is known of it. */
export interface RigStudy {
  readonly light: RigLight;
  /** Null where a row has no answer. */
  readonly power: RigPower | null;
}

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
  const runs = new Map((power?.rows ?? []).map((r) => [r.rowId, r.runs]));
  return { light: rigLight(layout, rig, runs, stepMillimetres), power };
}
