import { z } from 'zod';
import { jobCore } from '../../document/job-record';
import { lampCore } from '../../document/lamp-record';
import { sceneryCore } from '../../document/scenery-record';

/** A lamp of a string, along the roof on one of its sides. */
export const stringLampRecord = z.looseObject({
  ...lampCore,
  side: z.enum(['near', 'far']),
  alongMillimetres: z.number().min(0).max(3000),
});

/** A roof over a platform or a dock, lit by a string along its trusses. */
export const canopyRecord = z.looseObject({
  ...jobCore,
  ...sceneryCore,
  kind: z.literal('canopy'),
  roof: z.looseObject({
    lengthMillimetres: z.number().min(30).max(3000),
    widthMillimetres: z.number().min(5).max(600),
    /** Of the lamps above the platform. */
    heightMillimetres: z.number().min(3).max(400),
    trussMillimetres: z.number().min(3).max(500),
    /** Each lamp is twisted to face down; left as the string has it they look out. */
    twisted: z.boolean(),
    /** Their backs are painted, so that no light goes up. */
    backsPainted: z.boolean(),
  }),
  lamps: z.record(z.string(), stringLampRecord),
});

export type CanopyRecord = z.infer<typeof canopyRecord>;
export type StringLamp = CanopyRecord['lamps'][string];
export type CanopySide = StringLamp['side'];
