import { z } from 'zod';
import { driverOf } from './aspect-record';
import { driverKind } from '../supply/drivers';
import { decoderTypeOf } from './decoder-record';
import { leds } from '../part/led';
import { fitReadings } from '../part/lamp-readings';
import { scales, type ScaleName } from '../quantity/scale';
import { bulbs } from '../part/bulb';
import { jobRecords, recordFacts, type AnyJob } from '../kinds/records';
import { drawerRecord } from './drawer-record';
import { lampSetRecord } from './lamp-set-record';
import { supplyRecord } from './supply-record';
import { brokenInEvening, eveningRecord } from './evening-record';
import { brokenInRig, rigRecord } from './rig-record';
import { boardRecord, brokenInNetwork, networkRecord } from './network-record';
import { trainRecord } from './train-record';
import { feedsBeside } from '../supply';
import type { Say } from './job-record';

export const FORMAT = 'hazel-spark-layout';
export const VERSION = 12;

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
  jobs: z.record(z.string(), z.discriminatedUnion('kind', jobRecords)),
  trains: z.record(z.string(), trainRecord),
  /** Lamp sets of one's own. */
  lampSets: z.record(z.string(), lampSetRecord),
  drawer: drawerRecord,
  /** The boards in plan, from above; none where nobody has laid them. */
  boards: z.record(z.string(), boardRecord),
  /** The power under them. */
  network: networkRecord,
  /** What lights it from above. */
  rigs: z.record(z.string(), rigRecord),
  /** When what is lit. */
  evening: eveningRecord,
});

export type Layout = z.infer<typeof layoutRecord>;
export type { AnyJob };

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
      if (!Object.hasOwn(layout.jobs, car.jobId) || !recordFacts(layout.jobs[car.jobId].kind).onRails) {
        broken.push({
          path: ['trains', trainId, 'cars', carId, 'jobId'],
          reason: `there is nothing on rails called “${car.jobId}”`,
        });
      }
    }
  }
  brokenInNetwork(
    layout.network,
    { ...layout, isLampType: (part) => isLampType(layout, part) },
    (path, reason) => void broken.push({ path: ['network', ...path], reason }),
  );
  for (const [rigId, rig] of Object.entries(layout.rigs))
    brokenInRig(rig, layout, (path, reason) => void broken.push({ path: ['rigs', rigId, ...path], reason }));
  brokenInEvening(
    layout.evening,
    layout.jobs,
    (path, reason) => void broken.push({ path: ['evening', ...path], reason }),
  );
  for (const [jobId, job] of Object.entries(layout.jobs)) {
    const say = (path: (string | number)[], reason: string): void => {
      broken.push({ path: ['jobs', jobId, ...path], reason });
    };
    brokenInJob(layout, jobId, job, say);
    recordFacts(job.kind).broken(job, say);
  }
  return broken;
}

/** References of a job that lead nowhere, whatever its kind. */
function brokenInJob(layout: Layout, jobId: string, job: AnyJob, say: Say): void {
  for (const key of ['supplyId', 'otherSupplyId'] as const) {
    const id = key in job ? (job as Partial<Record<typeof key, string | null>>)[key] : null;
    if (typeof id === 'string' && !Object.hasOwn(layout.supplies, id))
      say([key], `there is no supply “${id}”`);
  }
  for (const [variantId, variant] of Object.entries(job.variants)) {
    const stray = variant.patches.find(
      (p) => p.path[0] !== 'jobs' || p.path[1] !== jobId || p.path.length < 3,
    );
    if (stray) say(['variants', variantId], `its patch of ${stray.path.join('.')} is not about this job`);
  }
  for (const [lampId, lamp] of Object.entries(job.lamps)) {
    if (!isLampType(layout, lamp.part) && !Object.hasOwn(bulbs, lamp.part))
      say(['lamps', lampId, 'part'], `there is no lamp type “${lamp.part}”`);
    if (lamp.secondPart !== null && !isLampType(layout, lamp.secondPart))
      say(['lamps', lampId, 'secondPart'], `there is no lamp type “${lamp.secondPart}”`);
    if (lamp.circuitId !== null && !Object.hasOwn(job.circuits, lamp.circuitId))
      say(['lamps', lampId, 'circuitId'], `there is no circuit “${lamp.circuitId}”`);
  }
  for (const [circuitId, { lineId }] of Object.entries(job.circuits))
    if (!Object.hasOwn(job.lines, lineId))
      say(['circuits', circuitId, 'lineId'], `there is no line “${lineId}”`);
  const driver = driverOf(job);
  const outputs = (
    driver ? driverKind(driver).build(driver).outputs : job.decoder ? decoderTypeOf(job.decoder).outputs : []
  ).map((o) => o.id);
  for (const [lineId, { from }] of Object.entries(job.lines)) {
    if (from.kind === 'output' && !outputs.includes(from.output as `out${number}`))
      say(
        ['lines', lineId, 'from', 'output'],
        driver || job.decoder
          ? `its ${driver ? 'driver' : 'decoder'} has no output “${from.output}”`
          : 'there is no decoder',
      );
    if (from.kind === 'supply' && from.supplyId !== null) {
      const reason = notOfItsOwn(layout, from.supplyId);
      if (reason !== null) say(['lines', lineId, 'from', 'supplyId'], reason);
    }
    if (from.kind !== 'line') continue;
    if (!Object.hasOwn(job.lines, from.line))
      say(['lines', lineId, 'from', 'line'], `there is no line “${from.line}”`);
    else if (feedsItself(job, lineId)) say(['lines', lineId, 'from', 'line'], 'the line feeds itself');
  }
}

/** Why a supply cannot feed a line beside that of its job; null where it can. */
function notOfItsOwn({ supplies }: Layout, supplyId: string): string | null {
  if (!Object.hasOwn(supplies, supplyId)) return `there is no supply “${supplyId}”`;
  return feedsBeside(supplies[supplyId])
    ? null
    : `“${supplies[supplyId].name}” does not keep its sides and its volts: beside another supply only cells and a bus feed a line`;
}

function feedsItself({ lines }: Pick<AnyJob, 'lines'>, lineId: string): boolean {
  const seen = new Set<string>();
  for (let at: string | null = lineId; at !== null && Object.hasOwn(lines, at);) {
    if (seen.has(at)) return true;
    seen.add(at);
    const { from }: AnyJob['lines'][string] = lines[at];
    at = from.kind === 'line' ? from.line : null;
  }
  return false;
}

/** The published JSON Schema of the file, as plain data. */
export function jsonSchema(): unknown {
  return z.toJSONSchema(layoutRecord);
}

const isLampType = (layout: Layout, part: string): boolean =>
  Object.hasOwn(leds, part) || (part.startsWith('own:') && Object.hasOwn(layout.drawer.lamps, part.slice(4)));
