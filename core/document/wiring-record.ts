import { z } from 'zod';
import { outputName } from './decoder-record';

const order = z.number();
const name = z.string().min(1).max(60);
const ohms = z.number().min(0.1).max(1e7);
const ratedWatts = z.number().min(0.01).max(50);
const diode = z.enum(['silicon', 'schottky']);

/** What may stand in a line, from the source towards the lamps; each is laid by the file of its name in `assembly/stages`. */
export const stageRecord = z.discriminatedUnion('kind', [
  z.looseObject({
    order,
    kind: z.literal('switch'),
    name: z.string().min(1).max(40),
    on: z.boolean(),
    /** Which of the two leads it sits in. */
    lead: z.enum(['first', 'second']),
  }),
  z.looseObject({ order, kind: z.literal('fuse'), amps: z.number().min(0.01).max(20) }),
  /** The diode that let an old bulb shine one way only, as it is left, and the lead it lets current in by. */
  z.looseObject({
    order,
    kind: z.literal('steering'),
    left: z.enum(['kept', 'bridged', 'removed']),
    lets: z.enum(['first', 'second']),
  }),
  /** Four diodes, moulded in one or loose. */
  z.looseObject({ order, kind: z.literal('bridge'), diode, loose: z.boolean() }),
  z.looseObject({ order, kind: z.literal('diode'), diode }),
  /** In the line, or beside it in the reservoir's own leg with a diode for the way back. */
  z.looseObject({
    order,
    kind: z.literal('charge'),
    ohms: z.number().min(0.1).max(1e5),
    ratedWatts,
    beside: z.boolean(),
  }),
  z.looseObject({
    order,
    kind: z.literal('reservoir'),
    farads: z.number().min(1e-9).max(0.5),
    ratedVolts: z.number().min(1).max(500),
  }),
  z.looseObject({
    order,
    kind: z.literal('regulator'),
    outVolts: z.number().min(1).max(24),
    dropoutVolts: z.number().min(0).max(5),
    quiescentAmps: z.number().min(0).max(0.05),
  }),
  /** A socket of a hub: its own resistor, and a transistor that a trimmer sets. */
  z.looseObject({
    order,
    kind: z.literal('socket'),
    seriesOhms: z.number().min(1).max(1e5),
    baseOhms: z.number().min(100).max(1e7),
    trimmerOhms: z.number().min(100).max(1e6),
    turn: z.number().min(0).max(1),
    /** Its jumper is in. */
    on: z.boolean(),
  }),
  /** A board that holds the current of all that hangs behind it. */
  z.looseObject({ order, kind: z.literal('constant-current'), amps: z.number().min(1e-4).max(2) }),
]);

/** What stands between a source and the lamps of one or more circuits. */
export const lineRecord = z.looseObject({
  order,
  name,
  from: z.discriminatedUnion('kind', [
    /** Where its two leads are taken from: the job's supply, or another that keeps its sides, as a cell of its own. */
    z.looseObject({
      kind: z.literal('supply'),
      tap: z.enum(['pickups', 'motor-tags', 'board']),
      supplyId: z.string().nullable(),
    }),
    z.looseObject({
      kind: z.literal('output'),
      output: outputName,
      /** What its plus side hangs on: the common positive, or a rail where there is none. */
      returnTo: z.enum(['common', 'right-rail', 'left-rail']),
    }),
    z.looseObject({ kind: z.literal('line'), line: z.string() }),
  ]),
  /** Its two leads change places where it begins, as built. */
  swapped: z.boolean(),
  /** Built twice, once for each way its lamps shine. */
  eachWay: z.boolean(),
  stages: z.record(z.string(), stageRecord),
});

/** Lamps that share how they are limited. */
export const circuitRecord = z.looseObject({
  order,
  name,
  /** The line it hangs on. */
  lineId: z.string(),
  /** A resistor for each lamp or string, one for all, a limiter for all, or nothing. */
  limit: z.enum(['each', 'shared', 'limiter', 'none']),
  ohms,
  ratedWatts,
  /** Resistors that each lamp has stand at the far ends of its leads, though they might go through to it. */
  resistorsFar: z.boolean().optional(),
  limiterAmps: z.number().min(1e-4).max(1),
  /** Lamps one after another in a string; 1 when each is by itself. */
  inSeries: z.number().int().min(1).max(60),
  /** Which way each lamp conducts: as it should shine, every other one, or all alike. */
  senses: z.enum(['as-they-shine', 'in-turn', 'alike']),
  /** Its two leads change places at the lamps, behind whatever stands in its line. */
  swapped: z.boolean(),
});

export type StageRecord = z.infer<typeof stageRecord>;
export type StageKind = StageRecord['kind'];
export type StageOf<K extends StageKind> = Extract<StageRecord, { kind: K }>;
export type LineRecord = z.infer<typeof lineRecord>;
export type CircuitRecord = z.infer<typeof circuitRecord>;
