import { z } from 'zod';
import { decoderTypes } from '../part/decoder-type';
import { leds } from '../part/led';
import { fitReadings } from '../part/lamp-readings';
import { scales, type ScaleName } from '../quantity/scale';
import { bulbs } from '../part/bulb';
import { coachRecord, type CoachRecord } from './coach-record';
import { drawerRecord } from './drawer-record';
import { locomotiveRecord, type LocomotiveRecord } from './locomotive-record';
import { lampSetRecord } from './lamp-set-record';
import { supplyRecord } from './supply-record';
import { trainRecord } from './train-record';

export const FORMAT = 'hazel-spark-layout';
export const VERSION = 4;

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
  jobs: z.record(z.string(), z.discriminatedUnion('kind', [coachRecord, locomotiveRecord])),
  trains: z.record(z.string(), trainRecord),
  /** Lamp sets of one's own. */
  lampSets: z.record(z.string(), lampSetRecord),
  drawer: drawerRecord,
});

export type Layout = z.infer<typeof layoutRecord>;
/** A coach; what is said of every job alike takes `AnyJob`. */
export type Job = CoachRecord;
export type AnyJob = Layout['jobs'][string];

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
  for (const [setId, set] of Object.entries(layout.lampSets)) {
    set.lamps.forEach((lamp, i) => {
      for (const part of [lamp.part, lamp.secondPart])
        if (part !== null && !isLampType(layout, part) && !Object.hasOwn(bulbs, part))
          broken.push({ path: ['lampSets', setId, 'lamps', i], reason: `there is no lamp type “${part}”` });
    });
  }
  for (const [trainId, train] of Object.entries(layout.trains)) {
    for (const [carId, car] of Object.entries(train.cars)) {
      if (!Object.hasOwn(layout.jobs, car.jobId) || layout.jobs[car.jobId].kind !== 'coach') {
        broken.push({
          path: ['trains', trainId, 'cars', carId, 'jobId'],
          reason: `there is no coach “${car.jobId}”`,
        });
      }
    }
  }
  for (const [jobId, job] of Object.entries(layout.jobs)) {
    const say = (path: (string | number)[], reason: string): void => {
      broken.push({ path: ['jobs', jobId, ...path], reason });
    };
    if (!Object.hasOwn(layout.supplies, job.supplyId))
      say(['supplyId'], `there is no supply “${job.supplyId}”`);
    if (job.kind === 'coach') brokenInCoach(layout, jobId, job, say);
    else brokenInLocomotive(layout, job, say);
  }
  return broken;
}

type Say = (path: (string | number)[], reason: string) => void;

function brokenInCoach(layout: Layout, jobId: string, job: CoachRecord, say: Say): void {
  if (Object.keys(job.interior.rooms).length === 0)
    say(['interior', 'rooms'], 'a coach has at least one room');
  for (const [variantId, variant] of Object.entries(job.variants)) {
    const stray = variant.patches.find(
      (p) => p.path[0] !== 'jobs' || p.path[1] !== jobId || p.path.length < 3,
    );
    if (stray) say(['variants', variantId], `its patch of ${stray.path.join('.')} is not about this job`);
  }
  for (const [lampId, lamp] of Object.entries(job.lamps)) {
    if (!isLampType(layout, lamp.part))
      say(['lamps', lampId, 'part'], `there is no lamp type “${lamp.part}”`);
    if (lamp.groupId !== null && !Object.hasOwn(job.groups, lamp.groupId))
      say(['lamps', lampId, 'groupId'], `there is no group “${lamp.groupId}”`);
  }
}

function brokenInLocomotive(layout: Layout, job: LocomotiveRecord, say: Say): void {
  if (job.otherSupplyId !== null && !Object.hasOwn(layout.supplies, job.otherSupplyId))
    say(['otherSupplyId'], `there is no supply “${job.otherSupplyId}”`);
  for (const [lampId, lamp] of Object.entries(job.lamps)) {
    if (!isLampType(layout, lamp.part) && !Object.hasOwn(bulbs, lamp.part))
      say(['lamps', lampId, 'part'], `there is no lamp type “${lamp.part}”`);
    if (lamp.secondPart !== null && !isLampType(layout, lamp.secondPart))
      say(['lamps', lampId, 'secondPart'], `there is no lamp type “${lamp.secondPart}”`);
    if (lamp.circuitId !== null && !Object.hasOwn(job.circuits, lamp.circuitId))
      say(['lamps', lampId, 'circuitId'], `there is no circuit “${lamp.circuitId}”`);
  }
  const outputs = job.decoder ? decoderTypes[job.decoder.type].outputs.map((o) => o.id) : [];
  for (const [circuitId, { feed }] of Object.entries(job.circuits)) {
    if (feed.kind === 'output' && !outputs.includes(feed.output as `out${number}`))
      say(['circuits', circuitId, 'feed', 'output'], `its decoder has no output “${feed.output}”`);
  }
}

/** The published JSON Schema of the file, as plain data. */
export function jsonSchema(): unknown {
  return z.toJSONSchema(layoutRecord);
}

const isLampType = (layout: Layout, part: string): boolean =>
  Object.hasOwn(leds, part) || (part.startsWith('own:') && Object.hasOwn(layout.drawer.lamps, part.slice(4)));
