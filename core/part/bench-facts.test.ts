import { describe, expect, test } from 'vitest';
import { bulbAmps } from './bulb';
import { inferBuiltIn } from './built-in';
import { cellAt, cellTypes } from './cell';
import { THERMAL_VOLTS } from './junction-model';
import { fitReadings } from './lamp-readings';
import { fitLed, leds, lightSpots } from './led';
import { nearestPair, nearestPreferred } from './preferred';

/** Volts over a lamp at a current, by Shockley's law written out here. */
const volts = (n: number, is: number, rs: number, amps: number): number =>
  n * THERMAL_VOLTS * Math.log(amps / is + 1) + rs * amps;

describe('preferred values beyond E24 (IEC 60063)', () => {
  test.each([
    [147, 'E96', 147],
    [4990, 'E96', 4990],
    [332_000, 'E48', 332_000],
    [8660, 'E96', 8660],
    [1.05, 'E48', 1.05],
  ] as const)('%d is of %s', (ohms, series, expected) => {
    expect(nearestPreferred(ohms, series)).toBe(expected);
  });
  test('two 1 kohm in series make 2 kohm (common practice, no source)', () => {
    expect(nearestPair(2000)).toMatchObject({ ohms: 2000 });
  });
  test('a pair is never further off than the best single value of E12', () => {
    for (let ohms = 11; ohms < 1e5; ohms *= 1.37) {
      const off = (r: number): number => Math.abs(Math.log(r / ohms));
      expect(off(nearestPair(ohms).ohms)).toBeLessThanOrEqual(off(nearestPreferred(ohms, 'E12')) + 1e-9);
      const { joined, first, second, ohms: made } = nearestPair(ohms);
      expect(made).toBeCloseTo(joined === 'series' ? first + second : (first * second) / (first + second), 6);
    }
  });
});

describe('a lamp type from readings', () => {
  test('gives back the law the readings were made with', () => {
    const readings = [0.0005, 0.002, 0.006, 0.012, 0.02].map((amps) => ({
      amps,
      volts: volts(2.6, 1e-17, 9, amps),
    }));
    const fit = fitReadings(readings);
    expect(fit.emission).toBeCloseTo(2.6, 2);
    expect(fit.seriesOhms).toBeCloseTo(9, 1);
    expect(fit.errorVolts).toBeLessThan(1e-4);
  });
  test('says how far it misses readings that no lamp gives', () => {
    const readings = [0.001, 0.004, 0.01, 0.02].map((amps, i) => ({
      amps,
      volts: volts(3, 1e-18, 8, amps) + (i % 2 ? 0.05 : -0.05),
    }));
    const { errorVolts } = fitReadings(readings);
    expect(errorVolts).toBeGreaterThan(0.02);
    expect(errorVolts).toBeLessThan(0.06);
  });
  test('never a negative resistance, nor an emission below 1', () => {
    const bent = [
      { amps: 0.001, volts: 2.6 },
      { amps: 0.005, volts: 2.9 },
      { amps: 0.02, volts: 3.0 },
    ];
    expect(fitReadings(bent).seriesOhms).toBeGreaterThanOrEqual(0);
    const straight = [0.001, 0.01, 0.02].map((amps) => ({ amps, volts: 2 + 50 * amps }));
    expect(fitReadings(straight).emission).toBeGreaterThanOrEqual(1);
  });
  test.each([
    [[{ volts: 3, amps: 0.01 }], /two readings/],
    [
      [
        { volts: 3, amps: 0.01 },
        { volts: 3.1, amps: 0.01 },
      ],
      /at one current/,
    ],
    [
      [
        { volts: 3, amps: 0.01 },
        { volts: 2.5, amps: 0.02 },
      ],
      /fall as the current rises/,
    ],
    [
      [
        { volts: -3, amps: 0.01 },
        { volts: 2.5, amps: 0.02 },
      ],
      /above zero/,
    ],
  ])('%j is refused', (readings, why) => expect(() => fitReadings(readings)).toThrow(why));
});

describe('what hides in a ready-wired lamp', () => {
  const led = leds['white-warm'];
  const { saturationAmps, emission, seriesOhms } = fitLed(led);
  const behind = (ohms: number, amps: number): { volts: number; amps: number } => ({
    amps,
    volts: volts(emission, saturationAmps, seriesOhms, amps) + ohms * amps,
  });
  test('a resistor, from one reading and from two', () => {
    for (const readings of [[behind(1500, 0.005)], [behind(1500, 0.005), behind(1500, 0.002)]]) {
      const found = inferBuiltIn(led, readings);
      expect(found.kind).toBe('resistor');
      expect(found.kind === 'resistor' && found.ohms / 1500).toBeCloseTo(1, 3);
    }
  });
  test('a board that holds its current', () => {
    expect(
      inferBuiltIn(led, [
        { volts: 9, amps: 0.0098 },
        { volts: 15, amps: 0.0102 },
      ]),
    ).toEqual({ kind: 'limiter', amps: 0.01 });
  });
  test('nothing, and what cannot be', () => {
    expect(inferBuiltIn(led, [behind(0, 0.01)])).toEqual({ kind: 'nothing' });
    expect(() => inferBuiltIn(led, [{ volts: 1.5, amps: 0.01 }])).toThrow(/another type/);
    expect(() => inferBuiltIn(led, [])).toThrow(/one reading/);
  });
});

describe('cells and bulbs', () => {
  test('a coin cell has some 220 mAh and 10 to 30 ohm, rising (IEC 60086 name; figures from memory)', () => {
    const cell = cellTypes.cr2032;
    expect(cell.milliampHours).toBe(220);
    expect(cellAt(cell, 0).ohms).toBeGreaterThanOrEqual(10);
    expect(cellAt(cell, 0.8).ohms).toBeLessThanOrEqual(30);
    for (const type of Object.values(cellTypes)) {
      for (let s = 0; s < 1; s += 0.05) {
        expect(cellAt(type, s + 0.05).volts).toBeLessThan(cellAt(type, s).volts);
        expect(cellAt(type, s + 0.05).ohms).toBeGreaterThanOrEqual(cellAt(type, s).ohms);
      }
    }
  });
  test('a bulb-lit coach read at 0.22 A on 14 V takes about 0.25 A on 20 V (common practice, no source)', () => {
    expect(bulbAmps({ volts: 14, amps: 0.22 }, 20)).toBeGreaterThan(0.235);
    expect(bulbAmps({ volts: 14, amps: 0.22 }, 20)).toBeLessThan(0.27);
    expect(bulbAmps({ volts: 14, amps: 0.22 }, 0)).toBe(0);
  });
});

describe('where light comes out', () => {
  test.each(Object.values(leds))('$id: the shares add to the whole', (led) => {
    const spots = lightSpots(led, 180);
    expect(spots.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 9);
  });
  test('a bar gives less towards its far end, a strip unit keeps within its cut marks', () => {
    const bar = lightSpots(leds['bar-warm'], 200);
    for (let i = 1; i < bar.length; i++) expect(bar[i].share).toBeLessThan(bar[i - 1].share);
    for (const s of lightSpots(leds['strip-warm'], 0)) expect(Math.abs(s.millimetres)).toBeLessThan(25);
  });
});
