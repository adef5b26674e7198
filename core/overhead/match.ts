import { inOrder } from '../document/in-order';
import { eyeSteps, type RigLight } from './light';
import { QUICK_HERTZ } from './limits';
import type { Draft } from 'immer';
import type { RigRecord } from '../document/rig-record';

/** What a rig needs to give the light of another. */
export interface Match {
  readonly wantedLux: number;
  readonly hasLux: number;
  /** Its rows' light has to be this many times what it is. */
  readonly times: number;
  /** All rows dimmed to so much; null where that is not enough. */
  readonly level: number | null;
  /** Rows more like its brightest, as many as make up for it; 0 where none are needed. */
  readonly more: number;
  readonly ofRow: string | null;
  /** Difference in steps of the eye, 100 from dark to the wanted light. */
  readonly steps: number;
}

/**
 * From the light that was liked to what gives it here: light falls in proportion to what its rows give.
 * @param wantedLux mean on the scenery, with the room's own and that of rigs beside it
 */
export function matchOf(rig: RigRecord, light: RigLight, wantedLux: number): Match {
  // What the room and the rigs beside it give is there anyway.
  const others = rig.room.lux + light.besideLux;
  const own = light.meanLux - others;
  const needs = wantedLux - others;
  const times = own > 0 ? needs / own : Infinity;
  const level = Math.min(
    1,
    ...inOrder(rig.rows)
      .filter((r) => r.on)
      .map((r) => 1 / r.level),
  );
  const rows = [...light.byRow].sort((a, b) => b[1].meanLux - a[1].meanLux);
  const [brightest] = rows;
  const lacks = Math.max(0, needs - own);
  return {
    wantedLux,
    hasLux: light.meanLux,
    times,
    level: times <= level ? Math.max(0, times) : null,
    more: brightest && lacks > 0.02 * needs ? Math.ceil(lacks / brightest[1].meanLux) : 0,
    ofRow: brightest ? brightest[0] : null,
    steps: eyeSteps(light.meanLux, wantedLux),
  };
}

/** Dims all rows of a rig that are lit to so many times what they give, by quick pulses where it has no dimmer yet. */
export function dimRows(rig: Draft<RigRecord>, times: number): void {
  for (const row of Object.values(rig.rows))
    if (row.on) row.level = Math.min(1, Math.max(0, row.level * times));
  if (times < 1 && rig.dimming.kind === 'none') rig.dimming = { kind: 'pulse-width', hertz: QUICK_HERTZ };
}
