import { z } from 'zod';
import { jobCore } from '../../document/job-record';
import { lampCore } from '../../document/lamp-record';

/** What stands on the stand, in outline. */
export const displayShapes = ['ship', 'aircraft', 'building', 'vehicle'] as const;
export type DisplayShape = (typeof displayShapes)[number];

/** A lamp somewhere in the model: along it from its left end, and above its underside. */
export const displayLampRecord = z.looseObject({
  ...lampCore,
  alongMillimetres: z.number().min(0).max(3000),
  heightMillimetres: z.number().min(0).max(2000),
});

/** A model on a stand, with a few lamps, a switch and what feeds it in the stand. */
export const displayModelRecord = z.looseObject({
  ...jobCore,
  kind: z.literal('display-model'),
  body: z.looseObject({
    shape: z.enum(displayShapes),
    lengthMillimetres: z.number().min(20).max(3000),
    heightMillimetres: z.number().min(5).max(2000),
    standMillimetres: z.number().min(0).max(1000),
  }),
  lamps: z.record(z.string(), displayLampRecord),
});

export type DisplayModelRecord = z.infer<typeof displayModelRecord>;
export type DisplayLamp = DisplayModelRecord['lamps'][string];
