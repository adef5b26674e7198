import { z } from 'zod';
import { leds } from '../part/led';
import { fitReadings } from '../part/lamp-readings';
import { scales, type ScaleName } from '../quantity/scale';
import { coachRecord } from './coach-record';
import { drawerRecord } from './drawer-record';
import { supplyRecord } from './supply-record';
import { trainRecord } from './train-record';

export const FORMAT = 'hazel-spark-layout';
export const VERSION = 3;

const scaleNames = Object.keys(scales) as [ScaleName, ...ScaleName[]];

/**
 * A layout as the file holds it: `.hazel.json`. Collections are records by stable id with an order
 * field, so that a path survives an edit. Quantities are SI or millimetres, named with the unit.
 * Fields it does not know survive a round trip.
 */
export const layoutRecord = z.looseObject({
  format: z.literal(FORMAT),
  version: z.literal(VERSION),
  name: z.string().min(1).max(120),
  scale: z.enum(scaleNames),
  currency: z.string().min(1).max(8),
  supplies: z.record(z.string(), supplyRecord),
  jobs: z.record(z.string(), coachRecord),
  trains: z.record(z.string(), trainRecord),
  drawer: drawerRecord,
});

export type Layout = z.infer<typeof layoutRecord>;
export type Job = Layout['jobs'][string];

/** What a schema cannot say: references that lead nowhere. As path and reason. */
export function brokenReferences(layout: Layout): { path: (string | number)[]; reason: string }[] {
  const broken: { path: (string | number)[]; reason: string }[] = [];
  for (const [id, own] of Object.entries(layout.drawer.lamps)) {
    try {
      fitReadings(own.readings);
    } catch (error) {
      broken.push({ path: ['drawer', 'lamps', id, 'readings'], reason: (error as Error).message });
    }
  }
  for (const [trainId, train] of Object.entries(layout.trains)) {
    for (const [carId, car] of Object.entries(train.cars)) {
      if (!Object.hasOwn(layout.jobs, car.jobId)) {
        broken.push({
          path: ['trains', trainId, 'cars', carId, 'jobId'],
          reason: `there is no coach “${car.jobId}”`,
        });
      }
    }
  }
  for (const [jobId, job] of Object.entries(layout.jobs)) {
    if (Object.keys(job.interior.rooms).length === 0) {
      broken.push({ path: ['jobs', jobId, 'interior', 'rooms'], reason: 'a coach has at least one room' });
    }
    if (!Object.hasOwn(layout.supplies, job.supplyId)) {
      broken.push({ path: ['jobs', jobId, 'supplyId'], reason: `there is no supply “${job.supplyId}”` });
    }
    for (const [variantId, variant] of Object.entries(job.variants)) {
      const stray = variant.patches.find(
        (p) => p.path[0] !== 'jobs' || p.path[1] !== jobId || p.path.length < 3,
      );
      if (stray) {
        broken.push({
          path: ['jobs', jobId, 'variants', variantId],
          reason: `its patch of ${stray.path.join('.')} is not about this job`,
        });
      }
    }
    for (const [lampId, lamp] of Object.entries(job.lamps)) {
      if (!isLampType(layout, lamp.part)) {
        broken.push({
          path: ['jobs', jobId, 'lamps', lampId, 'part'],
          reason: `there is no lamp type “${lamp.part}”`,
        });
      }
      if (lamp.groupId !== null && !Object.hasOwn(job.groups, lamp.groupId)) {
        broken.push({
          path: ['jobs', jobId, 'lamps', lampId, 'groupId'],
          reason: `there is no group “${lamp.groupId}”`,
        });
      }
    }
  }
  return broken;
}

/** The published JSON Schema of the file, as plain data. */
export function jsonSchema(): unknown {
  return z.toJSONSchema(layoutRecord);
}

const isLampType = (layout: Layout, part: string): boolean =>
  Object.hasOwn(leds, part) || (part.startsWith('own:') && Object.hasOwn(layout.drawer.lamps, part.slice(4)));
