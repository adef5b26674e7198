import { z } from 'zod';
import { tints } from '../part/tint';
import { fitRecord } from './fit-record';
import { interiorRecord } from './interior-record';
import { legendRecord } from './legend-record';
import { rectifierNames } from './rectifier-names';

const millimetres = (least: number, most: number) => z.number().min(least).max(most);

/** The body of a coach on the model, in millimetres; what is drawn, and where light has to reach. */
export const coachDimensions = z.looseObject({
  lengthMillimetres: millimetres(30, 1500),
  widthMillimetres: millimetres(5, 200),
  /** Floor to roof, outside. */
  bodyHeightMillimetres: millimetres(8, 250),
  windowCount: z.number().int().min(1).max(40),
  wheelMillimetres: millimetres(2, 60),
});

/** One lamp, strip unit, fairy lamp or light bar in the roof. `groupId` null means its lead goes nowhere yet. */
export const lampRecord = z.looseObject({
  order: z.number(),
  part: z.string().min(1),
  placeMillimetres: z.number().min(0).max(1500),
  /** From the centre line towards the far side; below zero towards the near one. */
  acrossMillimetres: z.number().min(-100).max(100),
  /** Turned from straight down towards the far side, in degrees; below zero towards the near one. */
  aimDegrees: z.number().min(-90).max(90),
  /** What it lights: the rooms, or the track behind and before the train. */
  role: z.enum(['room', 'tail', 'marker']),
  groupId: z.string().nullable(),
  tint: z.enum(Object.keys(tints) as [string, ...string[]]),
});

/** What ready-wired lamps or boards hold, as far as the person knows. */
export const builtInRecord = z.discriminatedUnion('kind', [
  z.looseObject({ kind: z.literal('nothing') }),
  z.looseObject({ kind: z.literal('unknown') }),
  z.looseObject({ kind: z.literal('resistor'), ohms: z.number().min(0.1).max(1e7) }),
  z.looseObject({ kind: z.literal('limiter'), amps: z.number().min(1e-4).max(2) }),
]);

/**
 * Lamps that share how they are limited. `resistor-each` has one for every string, `resistor-shared`
 * one for the group, `limiter` a constant-current limiter for the group; `none` is what a strip on
 * its own voltage needs, and what a beginner may have in mind and is told.
 */
export const groupRecord = z.looseObject({
  order: z.number(),
  name: z.string().min(1).max(40),
  drive: z.enum(['resistor-each', 'resistor-shared', 'limiter', 'none']),
  ohms: z.number().min(0.1).max(1e7),
  ratedWatts: z.number().min(0.01).max(50),
  /** Lamps one after another in a string; 1 when each is by itself. */
  inSeries: z.number().int().min(1).max(12),
  limiterAmps: z.number().min(1e-4).max(1),
  builtIn: builtInRecord,
  /** A switch of their own in their feed, as it is set; null without one. */
  switch: z.looseObject({ on: z.boolean() }).nullable(),
});

export const conditioningRecord = z.looseObject({
  /** A moulded bridge, four loose diodes, one diode, or nothing. */
  rectifier: z.enum(rectifierNames),
  chargeResistor: z
    .looseObject({ ohms: z.number().min(0.1).max(1e5), ratedWatts: z.number().min(0.01).max(50) })
    .nullable(),
  /** The charge resistor in the reservoir's own leg with a diode across it: charges gently, discharges freely. */
  chargeDiode: z.boolean(),
  reservoir: z
    .looseObject({ farads: z.number().min(1e-9).max(0.5), ratedVolts: z.number().min(1).max(500) })
    .nullable(),
  /** A linear regulator board between reservoir and lamps. */
  regulator: z
    .looseObject({
      outVolts: z.number().min(1).max(24),
      dropoutVolts: z.number().min(0).max(5),
      quiescentAmps: z.number().min(0).max(0.05),
    })
    .nullable(),
});

/** How the vehicle collects current. */
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

const patchRecord = z.looseObject({
  op: z.enum(['replace', 'remove', 'add']),
  path: z.array(z.union([z.string(), z.number()])),
  value: z.unknown().optional(),
});

/** The same job by another school: patches of the layout that touch this job alone. */
export const variantRecord = z.looseObject({
  order: z.number(),
  name: z.string().min(1).max(80),
  patches: z.array(patchRecord).max(500),
});

/** The bulbs that are, or were, in it: volts and true RMS amperes as read, all together. */
export const oldBulbsRecord = z.looseObject({
  volts: z.number().min(0.5).max(60),
  amps: z.number().min(1e-3).max(10),
});

/** A coach to be lit. */
export const coachRecord = z.looseObject({
  order: z.number(),
  kind: z.literal('coach'),
  name: z.string().min(1).max(80),
  note: z.string().max(4000),
  supplyId: z.string(),
  dimensions: coachDimensions,
  interior: interiorRecord,
  fit: fitRecord,
  /** Wanted light at seat height, in lux inside the model. */
  wantedLux: z.number().min(0.1).max(100000),
  conditioning: conditioningRecord,
  groups: z.record(z.string(), groupRecord),
  lamps: z.record(z.string(), lampRecord),
  legend: legendRecord,
  pickups: pickupRecord,
  ride: rideRecord,
  oldBulbs: oldBulbsRecord.nullable(),
  variants: z.record(z.string(), variantRecord),
});

export type CoachRecord = z.infer<typeof coachRecord>;
export type GroupRecord = z.infer<typeof groupRecord>;
export type ConditioningRecord = z.infer<typeof conditioningRecord>;
export type BuiltInRecord = z.infer<typeof builtInRecord>;
export type PickupRecord = z.infer<typeof pickupRecord>;
