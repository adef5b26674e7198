import { colourDifference, SEEN_COLOUR } from '../light/difference';
import { tristimulus, whiteXy, type Tristimulus, type White } from '../light/white';
import { boundedLeastSquares } from '../part/bounded-least-squares';
import { QUICK_HERTZ } from './limits';
import { feedVolts } from './power';
import { rigStudy } from './study';
import type { Draft } from 'immer';
import type { Layout } from '../document/layout';
import type { RigRecord } from '../document/rig-record';

/** A light that is wanted on the boards: how much of it, in lux, and its white. */
export interface WantedMix extends White {
  readonly lux: number;
}

/** Rows dimmed so that together they come nearest to a white, and what that gives. */
export interface BetterMix {
  /** Share that each row is dimmed to; 0 for one that is left dark. */
  readonly levels: ReadonlyMap<string, number>;
  readonly lux: number;
  readonly white: White;
  /** Distance from the wanted white in u', v': with these levels, and as the rig stands. */
  readonly away: number;
  readonly awayNow: number;
}

/** Light of rows for a mix is found so coarse, in millimetres. */
const STEP = 40;
/** A dimmer is set to a whole percent; what would be less than two is left dark. */
const LEAST_LEVEL = 0.02;
/** How much more colour counts than light, the least first: the first that an eye takes for the wanted white is taken. */
const WEIGHTS = Array.from({ length: 11 }, (_, i) => 10 ** (i / 2));
/** Spare to what the eye sees: levels are rounded. */
const GOOD = 0.8 * SEEN_COLOUR;
/** Rows alike are dimmed alike: each is drawn to its full light by so little. */
const RIDGE = 1e-3;
/**
 * Levels from 0 to 1 of lights that together come nearest to a wanted one, by least squares of the
 * distance in u', v' and of the lux still lacking.
 * @param lights each at its full, in lux
 * @param there what is there anyway
 * @param weight how much more the colour counts
 */
export function mixLevels(
  lights: readonly Tristimulus[],
  there: Tristimulus,
  wanted: Tristimulus,
  weight: number,
): number[] {
  const sum = ({ X, Y, Z }: Tristimulus): number => X + 15 * Y + 3 * Z;
  const [u, v] = [(4 * wanted.X) / sum(wanted), (9 * wanted.Y) / sum(wanted)];
  const w = weight / sum(wanted);
  // Linear in the amounts: u' (X + 15 Y + 3 Z) = 4 X, and so for v'.
  const parts = (t: Tristimulus): number[] => [
    w * (4 * t.X - u * sum(t)),
    w * (9 * t.Y - v * sum(t)),
    t.Y / wanted.Y,
  ];
  const [du, dv, lux] = parts(there);
  return boundedLeastSquares(
    lights.map((light, k) => [...parts(light), ...lights.map((_, i) => (i === k ? RIDGE : 0))]),
    [-du, -dv, 1 - lux, ...lights.map(() => RIDGE)],
  );
}

/** Dims the rows of a rig as a mix has them; one that is left dark is switched off. */
export function mixRows(rig: Draft<RigRecord>, levels: ReadonlyMap<string, number>): void {
  for (const [id, level] of levels) {
    const row = rig.rows[id];
    if (!row) continue;
    row.on = level > 0;
    if (level > 0) row.level = level;
  }
  const dims = [...levels.values()].some((level) => level > 0 && level < 1);
  if (dims && rig.dimming.kind === 'none') rig.dimming = { kind: 'pulse-width', hertz: QUICK_HERTZ };
}

/**
 * The mix of a rig's rows, those that are off but could be lit among them, that comes nearest to a wanted white: as bright
 * as it can be, up to what is wanted, while an eye takes it for that white; the nearest where none is.
 * @returns null where there is no row to mix
 * @throws RangeError when there is no such rig
 */
export function betterMix(layout: Layout, rigId: string, wanted: WantedMix): BetterMix | null {
  if (!Object.hasOwn(layout.rigs, rigId)) throw new RangeError(`there is no rig ${rigId}`);
  const rig = layout.rigs[rigId];
  // What its feed would burn, or not light, is not to hand.
  const toHand = Object.keys(rig.rows).filter(
    (id) => rig.rows[id].on || feedVolts(rig, rig.rows[id]) === rig.rows[id].volts,
  );
  const lit = (as: (id: string) => Partial<RigRecord['rows'][string]>) => {
    const rows = Object.fromEntries(
      Object.entries(rig.rows).map(([id, row]) => [id, toHand.includes(id) ? { ...row, ...as(id) } : row]),
    );
    return rigStudy({ ...layout, rigs: { ...layout.rigs, [rigId]: { ...rig, rows } } }, rigId, STEP).light;
  };
  const now = lit(() => ({}));
  const full = lit(() => ({ on: true, level: 1 }));
  const dark = lit(() => ({ on: false }));
  const rows = [...full.byRow];
  if (rows.length === 0) return null;
  const aim = whiteXy(wanted);
  const lights = rows.map(([, row]) => tristimulus(row.xy, row.meanLux));
  const there = tristimulus(dark.xy, dark.meanLux);
  let best: BetterMix | null = null;
  for (const weight of WEIGHTS) {
    const found = mixLevels(lights, there, tristimulus(aim, wanted.lux), weight);
    const levels = new Map(
      rows.map(([id], k) => [id, found[k] < LEAST_LEVEL ? 0 : Math.round(100 * found[k]) / 100]),
    );
    const light = lit((id) => ({ on: levels.get(id)! > 0, level: levels.get(id)! || 1 }));
    const away = colourDifference(light.xy, aim);
    if (light.meanLux > 0 && (best === null || away < best.away))
      best = {
        levels,
        lux: light.meanLux,
        white: light.white,
        away,
        awayNow: colourDifference(now.xy, aim),
      };
    if (away <= GOOD) break;
  }
  return best;
}
