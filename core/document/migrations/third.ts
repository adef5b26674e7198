import { usualFit } from '../../kinds/coach/usual-fit';
import { usualInterior } from '../../kinds/coach/usual-interior';
import { scales, type ScaleName } from '../../quantity/scale';
import { mapped, type Plain } from './plain';

/**
 * Version 3: the inside of a coach, where lamps hang across it, switches of groups, trains. A coach
 * of before had one room with its lamps on the centre line; so it still has, at the same height.
 */
export function toThird(old: Plain): Plain {
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
