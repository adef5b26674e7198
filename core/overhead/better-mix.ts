import { colourDifference, SEEN_COLOUR } from '../light/difference';
import { chromaticityOf, mixed, tristimulus, whiteXy, type Tristimulus, type White } from '../light/white';
import { boundedLeastSquares } from '../part/bounded-least-squares';
import { QUICK_HERTZ } from './limits';
import { feedVolts } from './rig-network';
import { rigStudy } from './study';
import type { Draft } from 'immer';
import type { Layout } from '../document/layout';
import type { RigRecord } from '../document/rig-record';

/** A light that is wanted on the boards: how much of it, in lux, and its white. */
export interface WantedMix extends White {
  readonly lux: number;
}

/** The light a rig is wanted to give: in the middle of the whites that are wanted, to the hundred kelvin. */
export const wantedOf = ({
  wanted: { lux, leastKelvin, mostKelvin },
}: Pick<RigRecord, 'wanted'>): WantedMix => ({
  lux,
  kelvin: Math.round((leastKelvin + mostKelvin) / 200) * 100,
  duv: 0,
});

/** Rows dimmed so that together they come nearest to a white, and what that gives. */
export interface BetterMix {
  /** Share that each row is dimmed to; 0 for one that is left dark. */
  readonly levels: ReadonlyMap<string, number>;
  readonly lux: number;
  readonly white: White;
  /** Distance from the wanted white in u', v': with these levels, and as the rig stands. */
  readonly away: number;
  readonly awayNow: number;
  /** It is nearer to the white by what counts, or as near to the eye and nearer to the light that is wanted. */
  readonly isBetter: boolean;
}

/** Light of rows for a mix is found so coarse, in millimetres. */
const STEP = 40;
/** A dimmer is set to a whole percent; what would be less than two is left dark. */
const LEAST_LEVEL = 0.02;
/** A difference of 1 in u', v' counts as much as so many times the light. */
const COLOUR_WEIGHT = 30;
/** No mix is looked for that gives less than this share of what is wanted. */
const LEAST_SHARE = 0.1;
/** Halvings between a mix that gives too much to be of its white, and one that is. */
const HALVINGS = 10;
/** A mix this little farther off, in u', v', is as near. */
const AS_NEAR = 0.0005;
/** Light so much nearer to what is wanted, as a share of it, is worth a change. */
const SEEN_LACK = 0.02;
/** Spare to what the eye sees: levels are rounded. */
const GOOD = 0.8 * SEEN_COLOUR;
/** Rows alike are dimmed alike: each is drawn to its full light by so little. */
const RIDGE = 1e-3;

/**
 * Levels from 0 to 1 of lights that together come nearest to a wanted one, by least squares of the
 * distance in u', v' and of the lux still lacking.
 * @param lights each at its full, in lux
 * @param there what is there anyway
 */
export function mixLevels(lights: readonly Tristimulus[], there: Tristimulus, wanted: Tristimulus): number[] {
  const sum = ({ X, Y, Z }: Tristimulus): number => X + 15 * Y + 3 * Z;
  const [u, v] = [(4 * wanted.X) / sum(wanted), (9 * wanted.Y) / sum(wanted)];
  const w = COLOUR_WEIGHT / sum(wanted);
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
  const at = (share: number): number[] => mixLevels(lights, there, tristimulus(aim, share * wanted.lux));
  const away = (levels: readonly number[]): number => {
    const xy = chromaticityOf(mixed([...lights, there], (k) => (k < lights.length ? levels[k] : 1)));
    return xy ? colourDifference(xy, aim) : Infinity;
  };
  // The less light is asked for the nearer a mix can come: as bright as an eye lets it be.
  const enough = Math.max(GOOD, away(at(LEAST_SHARE)) + AS_NEAR);
  let [most, near] = [1, LEAST_SHARE];
  if (away(at(most)) <= enough) near = most;
  else
    for (let i = 0; i < HALVINGS; i++) {
      const middle = (most + near) / 2;
      if (away(at(middle)) <= enough) near = middle;
      else most = middle;
    }
  const dim = at(near);
  // All in one proportion are of one colour: as bright as they go, up to what is wanted.
  const given = dim.reduce((sum, level, k) => sum + level * lights[k].Y, 0);
  const times = Math.min(1 / Math.max(...dim), (wanted.lux - there.Y) / given);
  const bright = dim.map((level) => Math.min(1, level * times));
  const found = times > 1 && away(bright) <= Math.max(enough, away(dim)) ? bright : dim;
  const levels = new Map(
    rows.map(([id], k) => [id, found[k] < LEAST_LEVEL ? 0 : Math.round(100 * found[k]) / 100]),
  );
  const light = lit((id) => ({ on: levels.get(id)! > 0, level: levels.get(id)! || 1 }));
  const [awayThen, awayNow] = [light, now].map((of) => colourDifference(of.xy, aim));
  const lacks = (lux: number): number => Math.abs(lux - wanted.lux) / wanted.lux;
  return {
    levels,
    lux: light.meanLux,
    white: light.white,
    away: awayThen,
    awayNow,
    isBetter:
      awayThen < awayNow - AS_NEAR ||
      (awayThen <= Math.max(SEEN_COLOUR, awayNow + AS_NEAR) &&
        lacks(light.meanLux) < lacks(now.meanLux) - SEEN_LACK),
  };
}
