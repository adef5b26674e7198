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

/** How a file of version N becomes one of version N + 1, by N. */
export const migrations: Readonly<Record<number, (old: Plain) => Plain>> = { 1: toSecond };
