import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { voltsAlong } from '../circuit/run-along';
import { addressableStrings, type AddressableName } from '../part/addressable';
import {
  feedsFor,
  readsOnes,
  SEEN_SHIFT,
  stringRun,
  works,
  type BuiltString,
  type Levels,
} from './string-run';

const white: Levels = [1, 1, 1];
const built = (sort: AddressableName, lamps: number, ...feeds: BuiltString['feeds']): BuiltString => ({
  sort,
  lamps,
  supplyVolts: 5,
  feeds: feeds.length > 0 ? feeds : [{ at: 0, ohms: 0.02 }],
});

describe('volts along a run', () => {
  test('constant loads on one feed fall by the sum of what flows: r i n (n - 1) / 2 (closed form)', () => {
    const [loads, ohms, amps] = [50, 0.1, 0.02];
    const volts = voltsAlong({
      loads,
      ohms: Array.from({ length: loads - 1 }, () => ohms),
      feeds: [{ at: 0, ohms: 1e-6, volts: 12 }],
      load: () => ({ amps, siemens: 0 }),
    });
    expect(12 - volts[loads - 1]).toBeCloseTo((ohms * amps * loads * (loads - 1)) / 2, 4);
  });
  test('resistors along a ladder: the golden ratio (closed form of the endless ladder of equal resistors)', () => {
    const volts = voltsAlong({
      loads: 60,
      ohms: Array.from({ length: 59 }, () => 1),
      feeds: [{ at: 0, ohms: 1, volts: 1 }],
      load: (_, v) => ({ amps: v, siemens: 1 }),
    });
    // An endless ladder of 1 ohm along and 1 ohm across looks like 1.618 ohm from before its first resistor.
    expect(1 - volts[0]).toBeCloseTo(1 / 1.6180339887, 9);
  });
  test('fed at both ends it sags by a quarter of what it does from one', () => {
    const run = (feeds: { at: number; ohms: number; volts: number }[]) =>
      voltsAlong({
        loads: 101,
        ohms: Array.from({ length: 100 }, () => 0.01),
        feeds,
        load: () => ({ amps: 0.01, siemens: 0 }),
      });
    const one = 5 - Math.min(...run([{ at: 0, ohms: 1e-6, volts: 5 }]));
    const both = 5 - Math.min(...run([0, 100].map((at) => ({ at, ohms: 1e-6, volts: 5 }))));
    expect(one / both).toBeGreaterThan(3.9);
    expect(one / both).toBeLessThan(4.1);
  });
  test('Kirchhoff: what the feeds give is what the loads take, wherever they are', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 80 }),
        fc.array(fc.nat(79), { minLength: 1, maxLength: 4 }),
        fc.double({ min: 0.001, max: 0.2, noNaN: true }),
        (loads, spots, ohms) => {
          const feeds = [...new Set(spots.map((s) => s % loads))].map((at) => ({ at, ohms: 0.05, volts: 5 }));
          const load = (_: number, v: number) => ({
            amps: 0.03 * Math.tanh(Math.max(0, v)),
            siemens: 0.03 * (1 - Math.tanh(Math.max(0, v)) ** 2),
          });
          const volts = voltsAlong({
            loads,
            ohms: Array.from({ length: loads - 1 }, () => ohms),
            feeds,
            load,
          });
          const given = feeds.reduce((sum, f) => sum + (f.volts - volts[f.at]) / f.ohms, 0);
          const taken = volts.reduce((sum, v, k) => sum + load(k, v).amps, 0);
          expect(given).toBeCloseTo(taken, 6);
        },
      ),
      { seed: 71 },
    ));
  test('whatever the wire, the length and the light, it settles: the feed gives what the lamps take', () => {
    let tried = 0;
    for (const sort of Object.keys(addressableStrings) as AddressableName[])
      for (const lamps of [1, 2, 5, 24, 60, 150])
        for (const millimetres of [0.05, 0.1, 0.15, 0.5])
          for (const metres of [0.01, 0.5, 2, 10])
            for (const level of [0, 0.4, 1]) {
              const ohms = (2 * 0.0175 * metres) / ((Math.PI * millimetres ** 2) / 4);
              const run = stringRun(built(sort, lamps, { at: 0, ohms }), () => [level, level, level]);
              const given = (5 - run.lamps[0].volts) / ohms;
              expect(Math.abs(given - run.amps), `${sort} ${lamps} ${millimetres} ${metres}`).toBeLessThan(
                1e-6,
              );
              tried++;
            }
    expect(tried).toBeGreaterThan(1000);
  });
  test('what nothing feeds is refused', () => {
    expect(() =>
      voltsAlong({ loads: 2, ohms: [1], feeds: [], load: () => ({ amps: 0, siemens: 0 }) }),
    ).toThrow('nothing feeds');
  });
});

describe('an addressable string', () => {
  test('in the dark it takes its idle current alone: 60 at 1 mA are 60 mA, from near full volts', () => {
    const { amps } = stringRun(built('ribbon-60', 60), () => [0, 0, 0]);
    expect(amps).toBeGreaterThan(0.9 * 60 * 0.001);
    expect(amps).toBeLessThanOrEqual(60 * 0.001);
  });
  test('ten lamps in full white take 10 x 61 mA (closed form)', () => {
    const { amps } = stringRun(built('ribbon-60', 10), () => white);
    expect(amps / (10 * (3 * 0.02 + 0.001))).toBeGreaterThan(0.98);
    expect(amps / (10 * (3 * 0.02 + 0.001))).toBeLessThanOrEqual(1);
  });
  test('five metres of 60 in full white brown out at the far end: green and blue fade first', () => {
    const run = stringRun(built('ribbon-60', 300), () => white);
    const [first, last] = [run.lamps[0], run.lamps[299]];
    expect(last.volts).toBeLessThan(3.3);
    expect(works(run)).toBe(false);
    expect(last.lumens).toBeLessThan(0.6 * first.lumens);
    expect(last.xy!.x).toBeGreaterThan(first.xy!.x + 0.05);
    // From the first lamp on that has only red left it is as far off as it gets.
    expect(run.shift.lamp).toBeGreaterThan(60);
    expect(run.lamps[run.shift.lamp - 30].xy!.x).toBeLessThan(run.lamps[run.shift.lamp].xy!.x);
    expect(run.shift.apart).toBeGreaterThan(SEEN_SHIFT);
  });
  test('red alone keeps its colour, as dim as it gets', () => {
    const { shift } = stringRun(built('ribbon-60', 300), () => [1, 0, 0]);
    expect(shift.apart).toBeLessThan(1e-9);
  });
  test('fed again where it says, white stays white; a ring of 24 needs no more than one feed', () => {
    const long = built('ribbon-60', 300);
    const feeds = feedsFor(long, 0.05)!;
    expect(feeds.length).toBeGreaterThan(1);
    expect(feeds.length).toBeLessThan(6);
    expect(stringRun({ ...long, feeds }, () => white).shift.apart).toBeLessThan(SEEN_SHIFT);
    expect(feedsFor(built('ring', 24), 0.05)).toHaveLength(1);
  });
  test('volts fall away from a feed and never rise above the supply', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(addressableStrings) as AddressableName[])),
        fc.integer({ min: 1, max: 150 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (sort, lamps, level) => {
          const { lamps: read } = stringRun(built(sort, lamps), () => [level, level, level]);
          read.forEach(({ volts }, k) => {
            expect(volts).toBeLessThanOrEqual(5);
            if (k > 0) expect(volts).toBeLessThanOrEqual(read[k - 1].volts + 1e-9);
          });
        },
      ),
      { seed: 72, numRuns: 60 },
    ));
  test('3.3 V on a 5 V string is not surely a one; 5 V is (0.7 of the supply, from memory)', () => {
    expect(readsOnes(3.3, 5)).toEqual({ is: 3.3, wants: 3.5, sure: false });
    expect(readsOnes(5, 5).sure).toBe(true);
    // The first lamp fed through a diode wants less.
    expect(readsOnes(3.3, 4.3).sure).toBe(true);
  });
});
