import { z } from 'zod';
import { tints } from '../part/tint';
import { lampRoles, type LampRoleName } from './lamp-roles';

const share = z.number().min(-1.2).max(1.2);

/** One lamp of a set: sideways as a share of half the width, height as a share of the body's. */
const setLampRecord = z.looseObject({
  role: z.enum(Object.keys(lampRoles) as [LampRoleName, ...LampRoleName[]]),
  across: share,
  up: share,
  /** From its end, as a share of the length; for lamps inside. */
  along: z.number().min(0).max(1),
  part: z.string().min(1),
  secondPart: z.string().min(1).nullable(),
  tint: z.enum(Object.keys(tints) as [string, ...string[]]),
  shows: z.enum(['leading', 'trailing', 'both']).nullable(),
});

/** What an end carries by the person's own practice, to be laid at other ends. */
export const lampSetRecord = z.looseObject({
  order: z.number(),
  name: z.string().min(1).max(60),
  lamps: z.array(setLampRecord).min(1).max(60),
});

export type LampSetRecord = z.infer<typeof lampSetRecord>;
