import { TRUCK_BASE_SHARE } from '../usual-running';
import { legends } from '../wire-legend';
import { mapped, type Plain } from './plain';

/** Version 2: more supplies and drives, tints, pickups, legends, variants, a drawer. What was there before is what it was. */
export function toSecond(old: Plain): Plain {
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
