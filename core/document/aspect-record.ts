import { z } from 'zod';
import { tints } from '../part/tint';
import { driverRecord, type DriverRecord } from './driver-record';
import type { Say } from './job-record';

const glasses = Object.keys(tints) as [string, ...string[]];

/** One row of the table of aspects: which lamps are lit, and how; the others are dark. */
export const aspectRecord = z.looseObject({
  order: z.number(),
  name: z.string().min(1).max(40),
  lamps: z.record(z.string(), z.enum(['steady', 'flash', 'flash-other'])),
  /** Nothing is to be seen in it, as of a crossing that is open. */
  dark: z.boolean(),
  /** What stands before the lamps in it, as the spectacle of an arm; null for nothing. */
  glass: z.enum(glasses).nullable(),
});
export type AspectRecord = z.infer<typeof aspectRecord>;

/** What every job has that shows aspects. */
export const drivenCore = {
  /** Null where nothing switches its lamps: they are always lit, and an arm shows the aspect. */
  driver: driverRecord.nullable(),
  /** Which side of the lamps is joined in the head. */
  common: z.enum(['anode', 'cathode']),
  aspects: z.record(z.string(), aspectRecord),
};
export type Driven = z.infer<z.ZodObject<typeof drivenCore, z.core.$loose>>;

/** Whether a job shows aspects. */
export const isDriven = <J extends object>(job: J): job is J & Driven => 'aspects' in job && 'driver' in job;

/** The driver of a job; null without one. */
export const driverOf = (job: object): DriverRecord | null => (isDriven(job) ? job.driver : null);

/** Says what is wrong with the aspects of a job beyond their schema. */
export function brokenInDriven(job: Driven & { readonly lamps: object }, say: Say): void {
  if (Object.keys(job.aspects).length === 0) say(['aspects'], 'it has no aspect to show');
  for (const [id, { lamps }] of Object.entries(job.aspects))
    for (const lampId of Object.keys(lamps))
      if (!Object.hasOwn(job.lamps, lampId))
        say(['aspects', id, 'lamps', lampId], `there is no lamp “${lampId}”`);
}
