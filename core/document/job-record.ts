import { z } from 'zod';
import { alreadyRecord } from './already-record';
import { decoderRecord } from './decoder-record';
import { legendRecord } from './legend-record';
import { passageRecord } from './passage-record';
import { progressRecord } from './progress-record';
import { wireNames } from '../part/wire';
import { circuitRecord, lineRecord } from './wiring-record';
import type { LampCore } from './lamp-record';

/** How a vehicle collects current. */
export const pickupRecord = z.looseObject({
  kind: z.enum(['wipers', 'collars']),
  axles: z.enum(['all', 'one-truck']),
  wheelsPerRail: z.number().int().min(1).max(12),
  /** From the first to the last collecting wheel of a rail. */
  baseMillimetres: z.number().min(0).max(1500),
});

/** What the lights have to ride over: dead rail at a scale speed. */
export const rideRecord = z.looseObject({
  deadMillimetres: z.number().min(0).max(2000),
  kilometresPerHour: z.number().min(0.5).max(500),
});

/** A place in a job, in millimetres: from its left end, from its middle towards the far side, above rail or ground. */
export const seatRecord = z.looseObject({
  alongMillimetres: z.number().min(-5000).max(5000),
  acrossMillimetres: z.number().min(-5000).max(5000),
  heightMillimetres: z.number().min(-500).max(2000),
});

const patchRecord = z.looseObject({
  op: z.enum(['replace', 'remove', 'add']),
  path: z.array(z.union([z.string(), z.number()])),
  value: z.unknown().optional(),
});

/** The same job built another way: patches of the layout that touch this job alone. */
export const variantRecord = z.looseObject({
  order: z.number(),
  name: z.string().min(1).max(80),
  patches: z.array(patchRecord).max(500),
});

/** What every kind of job has. */
export const jobCore = {
  order: z.number(),
  name: z.string().min(1).max(80),
  note: z.string().max(4000),
  supplyId: z.string(),
  /** A decoder on board; null for none. */
  decoder: decoderRecord.nullable(),
  lines: z.record(z.string(), lineRecord),
  circuits: z.record(z.string(), circuitRecord),
  legend: legendRecord,
  /** What its leads go through, and the wire they are. */
  passages: z.record(z.string(), passageRecord),
  wires: z.looseObject({ lamps: z.enum(wireNames), feed: z.enum(wireNames) }),
  /** What is in the model before anything is done to it. */
  already: z.record(z.string(), alreadyRecord).optional(),
  /** Where parts sit that have no lamp, by their id; what is not named lies where the kind has its wiring. */
  seats: z.record(z.string(), seatRecord).optional(),
  progress: progressRecord,
  variants: z.record(z.string(), variantRecord),
};

/** What every kind that runs on rails has besides. */
export const onRailsCore = { pickups: pickupRecord, ride: rideRecord };

/** What can be asked of a job without knowing its kind. */
export type JobCore = z.infer<z.ZodObject<typeof jobCore, z.core.$loose>> & {
  readonly lamps: Readonly<Record<string, LampCore>>;
};
export type OnRails = z.infer<z.ZodObject<typeof onRailsCore, z.core.$loose>>;
/** Whether a job collects its current from rails. */
export const isOnRails = <J extends object>(job: J): job is J & OnRails => 'ride' in job && 'pickups' in job;
export type PickupRecord = z.infer<typeof pickupRecord>;

/** Something wrong with a job that a schema cannot say: path within the job, and reason. */
export type Say = (path: (string | number)[], reason: string) => void;
