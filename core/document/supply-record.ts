import { z } from 'zod';
import { cellTypes } from '../part/cell';

const order = z.number();
const name = z.string().min(1).max(80);
const limitAmps = z.number().min(0.1).max(20);
const tripSeconds = z.number().min(0.0001).max(5);
const trackOhms = z.number().min(0.01).max(100);

/** NMRA S-9.1 puts the amplitude of a DCC track between 7 and 22 V. */
const dccTrackRecord = z.looseObject({
  order,
  name,
  kind: z.literal('dcc-track'),
  amplitudeVolts: z.number().min(7).max(22),
  highestVolts: z.number().min(7).max(22),
  limitAmps,
  tripSeconds,
  trackOhms,
  bits: z.string().regex(/^[01]{1,400}$/, 'only 0 and 1, at most 400 of them'),
  zeroHalfMicroseconds: z.number().min(95).max(9900),
});

const dcTrackRecord = z.looseObject({
  order,
  name,
  kind: z.literal('dc-track'),
  greatestVolts: z.number().min(1).max(30),
  making: z.enum(['smooth', 'pulse-width', 'full-wave', 'half-wave']),
  pulseHertz: z.number().min(30).max(50_000),
  mainsHertz: z.union([z.literal(50), z.literal(60)]),
  usualThrottle: z.number().min(0.05).max(1),
  limitAmps,
  tripSeconds,
  trackOhms,
});

const acTrackRecord = z.looseObject({
  order,
  name,
  kind: z.literal('ac-track'),
  rmsVolts: z.number().min(1).max(25),
  highestRmsVolts: z.number().min(1).max(30),
  hertz: z.union([z.literal(50), z.literal(60)]),
  reversingPulseVolts: z.number().min(0).max(60),
  limitAmps,
  tripSeconds,
  trackOhms,
});

const layoutBusRecord = z.looseObject({
  order,
  name,
  kind: z.literal('layout-bus'),
  volts: z.number().min(1).max(30),
  highestVolts: z.number().min(1).max(40),
  limitAmps,
  tripSeconds,
  wireOhms: trackOhms,
});

const lampControllerRecord = z.looseObject({
  order,
  name,
  kind: z.literal('lamp-controller'),
  leastVolts: z.number().min(0).max(30),
  mostVolts: z.number().min(1).max(30),
  usualVolts: z.number().min(0).max(30),
  limitAmps,
  tripSeconds,
  wireOhms: trackOhms,
});

const accessoryOutputRecord = z.looseObject({
  order,
  name,
  kind: z.literal('accessory-output'),
  volts: z.number().min(1).max(30),
  highestVolts: z.number().min(1).max(40),
  limitAmps: z.number().min(0.005).max(5),
  tripSeconds,
  bothSenses: z.boolean(),
  wireOhms: trackOhms,
});

const cellNames = Object.keys(cellTypes) as [string, ...string[]];
const cellSupplyRecord = z.looseObject({
  order,
  name,
  kind: z.literal('cell'),
  cell: z.enum(cellNames),
  inSeries: z.number().int().min(1).max(8),
  spent: z.number().min(0).max(0.99),
});

/** A supply as the file holds it, by its kind. */
export const supplyRecord = z.discriminatedUnion('kind', [
  dccTrackRecord,
  dcTrackRecord,
  acTrackRecord,
  layoutBusRecord,
  cellSupplyRecord,
  lampControllerRecord,
  accessoryOutputRecord,
]);

export type SupplyRecord = z.infer<typeof supplyRecord>;
export type SupplyRecordOf<K extends SupplyRecord['kind']> = Extract<SupplyRecord, { kind: K }>;
