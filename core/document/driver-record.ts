import { z } from 'zod';
import { contactSorts, type ContactSort } from '../supply/drivers/contacts';
import { outputHoldRecord } from './decoder-record';

const names = Object.keys(contactSorts) as [ContactSort, ...ContactSort[]];
const switches = z.enum(['minus', 'plus']);
const feed = z.looseObject({ bridge: z.boolean(), farads: z.number().min(0).max(0.1) });
const perMinute = z.number().min(1).max(1800);
const limitAmps = z.number().min(0.001).max(5);
const ohms = z.number().min(10).max(1e7);
const farads = z.number().min(1e-10).max(0.01);
/** What is known of a bought board; what is left out is assumed. */
const board = z
  .looseObject({
    lampVolts: z.number().min(1).max(30).nullable().optional(),
    holds: outputHoldRecord.optional(),
    sideKnown: z.boolean().optional(),
  })
  .optional();
const flasherHalf = z.looseObject({ ohms, farads });

/** What switches the lamps of a job that shows aspects, by its kind; each is a file of `supply/drivers`. */
export const driverRecord = z.discriminatedUnion('kind', [
  z.looseObject({
    kind: z.literal('contacts'),
    feed,
    sort: z.enum(names),
    ways: z.number().int().min(1).max(12),
    decks: z.number().int().min(1).max(4),
    switches,
    makesFirst: z.boolean(),
  }),
  z.looseObject({
    kind: z.literal('accessory-pairs'),
    feed,
    board,
    addresses: z.number().int().min(1).max(8),
    switches,
    limitAmps,
    totalAmps: limitAmps,
  }),
  z.looseObject({
    kind: z.literal('accessory-reversing'),
    feed,
    board,
    addresses: z.number().int().min(1).max(8),
    limitAmps,
    totalAmps: limitAmps,
  }),
  z.looseObject({
    kind: z.literal('alternating'),
    feed,
    board,
    switches,
    perMinute,
    steadyToo: z.boolean(),
    limitAmps,
  }),
  z.looseObject({
    kind: z.literal('flasher'),
    feed,
    one: flasherHalf,
    other: flasherHalf,
    baseDiodes: z.boolean(),
  }),
  z.looseObject({ kind: z.literal('timer'), feed, ohmsA: ohms, ohmsB: ohms, farads }),
  z.looseObject({
    kind: z.literal('pins'),
    feed,
    count: z.number().int().min(1).max(40),
    volts: z.union([z.literal(3.3), z.literal(5)]),
    pinAmps: limitAmps,
    totalAmps: limitAmps,
    transistors: z.boolean(),
    switches,
    perMinute,
    commonAt: z.enum(['board', 'feed']).optional(),
  }),
  z.looseObject({
    kind: z.literal('matrix'),
    feed,
    rows: z.number().int().min(2).max(8),
    columns: z.number().int().min(1).max(8),
    volts: z.union([z.literal(3.3), z.literal(5)]),
    pinAmps: limitAmps,
    totalAmps: limitAmps,
    transistors: z.boolean(),
    perMinute,
  }),
]);

export type DriverRecord = z.infer<typeof driverRecord>;

/** Small boards need next to no reservoir behind a bridge on DCC; on AC one keeps lamps from flickering (typical, from memory). */
const SMOOTHING_FARADS = 220e-6;

/** What stands before a driver on a supply: a bridge where it changes sides, and a reservoir where it also falls to nothing. */
export const usualFeed = (changesSides: boolean, fallsToNothing: boolean): DriverRecord['feed'] => ({
  bridge: changesSides,
  farads: changesSides && fallsToNothing ? SMOOTHING_FARADS : 0,
});

/** A driver of a kind as it commonly comes (common practice, no source). */
export function usualDriver(
  kind: DriverRecord['kind'],
  feed: DriverRecord['feed'],
  lamps: number,
): DriverRecord {
  const outputs = Math.max(2, lamps);
  switch (kind) {
    case 'contacts':
      return {
        kind,
        feed,
        sort: outputs > 2 ? 'rotary' : 'lever',
        ways: Math.min(12, outputs),
        decks: 1,
        switches: 'minus',
        makesFirst: false,
      };
    case 'accessory-pairs':
      return {
        kind,
        feed,
        addresses: Math.min(8, Math.ceil(outputs / 2)),
        switches: 'minus',
        limitAmps: 0.2,
        totalAmps: 0.8,
      };
    case 'accessory-reversing':
      return {
        kind,
        feed,
        addresses: Math.min(8, Math.ceil(outputs / 2)),
        limitAmps: 0.2,
        totalAmps: 0.8,
      };
    case 'alternating':
      return { kind, feed, switches: 'minus', perMinute: 45, steadyToo: false, limitAmps: 0.1 };
    case 'flasher': {
      const half = { ohms: 22e3, farads: 47e-6 };
      return { kind, feed, one: { ...half }, other: { ...half, ohms: 20e3 }, baseDiodes: true };
    }
    case 'timer':
      return { kind, feed, ohmsA: 1e3, ohmsB: 100e3, farads: 10e-6 };
    case 'pins':
      return {
        kind,
        feed,
        count: outputs,
        volts: 5,
        pinAmps: 0.02,
        totalAmps: 0.2,
        transistors: false,
        switches: 'minus',
        perMinute: 45,
      };
    case 'matrix': {
      // As square as it can be: the fewest pins.
      const rows = Math.min(8, Math.max(2, Math.round(Math.sqrt(outputs))));
      return {
        kind,
        feed,
        rows,
        columns: Math.min(8, Math.ceil(outputs / rows)),
        volts: 5,
        pinAmps: 0.02,
        totalAmps: 0.2,
        transistors: false,
        perMinute: 45,
      };
    }
  }
}
