import { scales, type ScaleName } from '../quantity/scale';
import { usualFit } from './usual-fit';
import { usualInterior } from './usual-interior';
import { legends } from './wire-legend';

type Plain = Record<string, unknown>;
const entries = (value: unknown): [string, Plain][] =>
  typeof value === 'object' && value !== null
    ? Object.entries(value as Plain).filter(
        (e): e is [string, Plain] => typeof e[1] === 'object' && e[1] !== null,
      )
    : [];
const mapped = (value: unknown, change: (entry: Plain) => Plain): unknown =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? { ...(value as Plain), ...Object.fromEntries(entries(value).map(([id, e]) => [id, change(e)])) }
    : value;

/** Shares of a coach's length from axle to axle of a truck, and between its outermost wheels (common practice, no source). */
export const TRUCK_BASE_SHARE = 0.11;
export const ALL_AXLES_BASE_SHARE = 0.74;

/** Version 2: more supplies and drives, tints, pickups, legends, variants, a drawer. What was there before is what it was. */
function toSecond(old: Plain): Plain {
  return {
    ...old,
    version: 2,
    drawer: old.drawer ?? { resistors: {}, reservoirs: {}, lamps: {} },
    jobs: mapped(old.jobs, (job) => {
      const dimensions = job.dimensions as Plain | undefined;
      const length = Number(dimensions?.lengthMillimetres) || 0;
      return {
        legend: { ...legends.decoder },
        pickups: {
          kind: 'wipers',
          axles: 'one-truck',
          wheelsPerRail: 2,
          baseMillimetres: Math.round(length * TRUCK_BASE_SHARE),
        },
        ride: { deadMillimetres: 0, kilometresPerHour: 40 },
        oldBulbs: null,
        variants: {},
        ...job,
        conditioning:
          typeof job.conditioning === 'object' && job.conditioning !== null
            ? { chargeDiode: false, regulator: null, ...job.conditioning }
            : job.conditioning,
        groups: mapped(job.groups, (group) => ({
          inSeries: 1,
          limiterAmps: 0.02,
          builtIn: { kind: 'nothing' },
          ...group,
        })),
        lamps: mapped(job.lamps, (lamp) => ({ tint: 'none', ...lamp })),
      };
    }),
  };
}

/**
 * Version 3: the inside of a coach, where lamps hang across it, switches of groups, trains. A coach
 * of before had one room with its lamps on the centre line; so it still has, at the same height.
 */
function toThird(old: Plain): Plain {
  const scale = Object.hasOwn(scales, String(old.scale)) ? (old.scale as ScaleName) : 'H0';
  return {
    ...old,
    version: 3,
    trains: old.trains ?? {},
    jobs: mapped(old.jobs, (job) => {
      if (typeof job.dimensions !== 'object' || job.dimensions === null) return job;
      const { lampDropMillimetres, ...dimensions } = job.dimensions as Record<string, number>;
      const usual = usualInterior('bare', dimensions as never, scale);
      const seat = Math.max(
        0.5,
        Math.min(usual.seatMillimetres, dimensions.bodyHeightMillimetres - lampDropMillimetres - 2),
      );
      const below = 1;
      const interior = {
        ...usual,
        seatMillimetres: seat,
        lampsBelowCeilingMillimetres: below,
        ceilingMillimetres: seat + lampDropMillimetres + below,
      };
      const ceilingFor = (drop: unknown): number => seat + Number(drop) + below;
      return {
        interior,
        fit: usualFit(),
        ...job,
        dimensions,
        groups: mapped(job.groups, groupThird),
        lamps: mapped(job.lamps, lampThird),
        variants: mapped(job.variants, (variant) => ({
          ...variant,
          patches: Array.isArray(variant.patches)
            ? variant.patches.map((patch: Plain) => patchThird(patch, ceilingFor))
            : variant.patches,
        })),
      };
    }),
  };
}

const groupThird = (group: Plain): Plain => ({ name: 'Roof', switch: null, ...group });
const lampThird = (lamp: Plain): Plain => ({ acrossMillimetres: 0, aimDegrees: 0, role: 'room', ...lamp });

/** What a variant puts in place of a lamp, a group or the height of the lamps, as version 3 has it. */
function patchThird(patch: Plain, ceilingFor: (drop: unknown) => number): Plain {
  const path = Array.isArray(patch.path) ? (patch.path as unknown[]) : [];
  const third = { lamps: lampThird, groups: groupThird }[String(path[2])];
  const whole = typeof patch.value === 'object' && patch.value !== null;
  if (third && whole && path.length === 3) return { ...patch, value: mapped(patch.value, third) };
  if (third && whole && path.length === 4) return { ...patch, value: third(patch.value as Plain) };
  if (path[2] === 'dimensions' && path[3] === 'lampDropMillimetres') {
    return {
      ...patch,
      path: [path[0], path[1], 'interior', 'ceilingMillimetres'],
      value: ceilingFor(patch.value),
    };
  }
  return patch;
}

/** Version 4: locomotives beside coaches, and lamp sets for them. Nothing of a coach differs. */
const toFourth = (old: Plain): Plain => ({ lampSets: {}, ...old, version: 4 });

/** How a file of version N becomes one of version N + 1, by N. */
export const migrations: Readonly<Record<number, (old: Plain) => Plain>> = {
  1: toSecond,
  2: toThird,
  3: toFourth,
};

/**
 * Brings a value of some version up to date, step by step; what it is not sure of it leaves for the
 * check that follows.
 */
export function migrated(value: Plain, version: number): Plain {
  let at = value;
  for (let v = version; Object.hasOwn(migrations, v); v++) at = migrations[v](at);
  return at;
}
