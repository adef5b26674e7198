import { z } from 'zod';
import { jobCore } from '../../document/job-record';
import { lampCore } from '../../document/lamp-record';
import { sceneryCore } from '../../document/scenery-record';
import { fittingSorts, type FittingSortName } from '../../part/lamp-fitting';
import { bases, hoods, mastStock, type BaseName, type HoodName, type MastName } from '../../part/lamp-kit';

const keys = <K extends string>(of: Readonly<Record<K, unknown>>): [K, ...K[]] =>
  Object.keys(of) as [K, ...K[]];

/** One lamp of a row, along it. */
export const rowLampRecord = z.looseObject({
  ...lampCore,
  alongMillimetres: z.number().min(0).max(20_000),
});

/** One fitting, or a row of them alike. */
export const lampRecord = z.looseObject({
  ...jobCore,
  ...sceneryCore,
  kind: z.literal('lamp'),
  fitting: z.looseObject({
    sort: z.enum(keys<FittingSortName>(fittingSorts)),
    /** Of the lamp above the ground. */
    heightMillimetres: z.number().min(0.5).max(500),
    outreachMillimetres: z.number().min(0).max(200),
    /** Head, hood or lens across. */
    headMillimetres: z.number().min(0.3).max(80),
    /** How far up in its hood the lamp sits; 0 for none. */
    hoodMillimetres: z.number().min(0).max(40),
    /** Turned from straight down towards the viewer. */
    aimDegrees: z.number().min(0).max(90),
    spacingMillimetres: z.number().min(1).max(3000),
  }),
  kit: z.looseObject({
    mast: z.enum(keys<MastName>(mastStock)),
    hood: z.enum(keys<HoodName>(hoods)),
    base: z.enum(keys<BaseName>(bases)),
    ball: z.boolean(),
    wraps: z.number().int().min(0).max(60),
  }),
  lamps: z.record(z.string(), rowLampRecord),
});

export type LampRecord = z.infer<typeof lampRecord>;
export type RowLamp = LampRecord['lamps'][string];
