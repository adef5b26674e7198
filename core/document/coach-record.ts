import { z } from 'zod';

const millimetres = (least: number, most: number) => z.number().min(least).max(most);

/** The body of a coach on the model, in millimetres; what is drawn, and where light has to reach. */
export const coachDimensions = z.looseObject({
  lengthMillimetres: millimetres(30, 1500),
  widthMillimetres: millimetres(5, 200),
  /** Floor to roof, outside. */
  bodyHeightMillimetres: millimetres(8, 250),
  windowCount: z.number().int().min(1).max(40),
  /** Lamps to seat height inside. */
  lampDropMillimetres: millimetres(2, 150),
  wheelMillimetres: millimetres(2, 60),
});

/** One lamp in the roof. `groupId` null means its lead goes nowhere yet. */
export const lampRecord = z.looseObject({
  order: z.number(),
  part: z.string().min(1),
  placeMillimetres: z.number().min(0).max(1500),
  groupId: z.string().nullable(),
});

/** Lamps that share how they are limited. `none` is what a beginner may have in mind, and is told. */
export const groupRecord = z.looseObject({
  order: z.number(),
  drive: z.enum(['resistor-each', 'resistor-shared', 'none']),
  ohms: z.number().min(0.1).max(1e7),
  ratedWatts: z.number().min(0.01).max(50),
});

export const conditioningRecord = z.looseObject({
  rectifier: z.enum(['silicon-bridge', 'schottky-bridge', 'none']),
  chargeResistor: z
    .looseObject({ ohms: z.number().min(0.1).max(1e5), ratedWatts: z.number().min(0.01).max(50) })
    .nullable(),
  reservoir: z
    .looseObject({ farads: z.number().min(1e-9).max(0.5), ratedVolts: z.number().min(1).max(500) })
    .nullable(),
});

/** A coach to be lit. */
export const coachRecord = z.looseObject({
  order: z.number(),
  kind: z.literal('coach'),
  name: z.string().min(1).max(80),
  note: z.string().max(4000),
  supplyId: z.string(),
  dimensions: coachDimensions,
  /** Wanted light at seat height, in lux inside the model. */
  wantedLux: z.number().min(0.1).max(100000),
  conditioning: conditioningRecord,
  groups: z.record(z.string(), groupRecord),
  lamps: z.record(z.string(), lampRecord),
});

export type CoachRecord = z.infer<typeof coachRecord>;
export type LampRecord = z.infer<typeof lampRecord>;
export type GroupRecord = z.infer<typeof groupRecord>;
export type ConditioningRecord = z.infer<typeof conditioningRecord>;
