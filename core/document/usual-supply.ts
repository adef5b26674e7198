import type { SupplyKindName } from '../supply';
import type { ScaleName } from '../quantity/scale';
import type { SupplyRecord } from './supply-record';

/** Scales whose layouts are commonly run on a lower voltage. */
const small: readonly ScaleName[] = ['Z', 'N', 'N (British)', 'TT'];

/**
 * A supply of a kind as it is commonly found: about 12 V DCC for N and 15 V for H0, 12 V on a DC
 * track, 16 V AC (common practice, no source).
 */
export function usualSupply(kind: SupplyKindName, scale: ScaleName, order: number): SupplyRecord {
  const track = { order, limitAmps: 3, tripSeconds: 0.01, trackOhms: 0.4 };
  switch (kind) {
    case 'dcc-track': {
      const amplitudeVolts = small.includes(scale) ? 12 : 15;
      return {
        ...track,
        kind,
        name: 'DCC track',
        amplitudeVolts,
        highestVolts: amplitudeVolts + 3,
        bits: '1',
        zeroHalfMicroseconds: 100,
      };
    }
    case 'dc-track':
      return {
        ...track,
        kind,
        name: 'DC track',
        limitAmps: 1,
        greatestVolts: 12,
        making: 'smooth',
        pulseHertz: 100,
        mainsHertz: 50,
        usualThrottle: 0.7,
      };
    case 'ac-track':
      return {
        ...track,
        kind,
        name: 'AC track',
        limitAmps: 2,
        // A thermal cut-out is slow beside a booster (common practice, no source).
        tripSeconds: 1,
        rmsVolts: 16,
        highestRmsVolts: 18,
        hertz: 50,
        reversingPulseVolts: 0,
      };
    case 'layout-bus':
      return {
        order,
        kind,
        name: 'Lighting bus',
        volts: 12,
        highestVolts: 12.6,
        limitAmps: 2,
        tripSeconds: 0.1,
        wireOhms: 0.2,
      };
    case 'lamp-controller':
      return {
        order,
        kind,
        name: 'Old controller',
        leastVolts: 3,
        mostVolts: 12,
        usualVolts: 9,
        limitAmps: 1,
        tripSeconds: 0.1,
        wireOhms: 0.2,
      };
    case 'accessory-output':
      return {
        order,
        kind,
        name: 'Accessory output',
        volts: 12,
        highestVolts: 14,
        limitAmps: 0.075,
        tripSeconds: 0.1,
        bothSenses: false,
        wireOhms: 0.5,
      };
    case 'cell':
      return { order, kind, name: 'Cell on board', cell: 'cr2032', inSeries: 1, spent: 0 };
  }
}

/** An id that a record does not have yet: the word, or the word and a number. */
export function freeId(record: Readonly<Record<string, unknown>>, word: string): string {
  if (!Object.hasOwn(record, word)) return word;
  let n = 2;
  while (Object.hasOwn(record, `${word}-${n}`)) n++;
  return `${word}-${n}`;
}
