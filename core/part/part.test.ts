import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { bandColours, bandsOf, ohmsOf } from './colour-bands';
import { canSize, ratingFor, soldFarads } from './electrolytic';
import { fitLed, leds, lumensAt } from './led';
import { nearestPreferred, nextPreferred } from './preferred';
import { bodyFor } from './resistor';
import { junctionCurrent } from '../circuit/junction';

describe('preferred values (IEC 60063)', () => {
  test.each([
    [41.7, 'E12', 39, 47],
    [2165, 'E12', 2200, 2200],
    [500, 'E24', 510, 510],
    [500, 'E6', 470, 680],
    [99, 'E12', 100, 100],
    [0.95, 'E12', 1, 1],
  ] as const)('%d in %s: nearest %d, next %d', (value, series, nearest, next) => {
    expect(nearestPreferred(value, series)).toBe(nearest);
    expect(nextPreferred(value, series)).toBe(next);
  });
  test('no value of the series is nearer, and next is the least that is not below', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.2, max: 5e6, noNaN: true }), (v) => {
        const next = nextPreferred(v, 'E24');
        expect(next).toBeGreaterThanOrEqual(v * (1 - 1e-9));
        expect(nextPreferred(next * 0.999, 'E24')).toBe(next);
        expect(Math.abs(Math.log(nearestPreferred(v, 'E24') / v))).toBeLessThanOrEqual(
          Math.log(15 / 13) / 2 + 1e-9,
        );
      }),
    );
  });
  test('nothing near zero', () => {
    expect(() => nearestPreferred(0, 'E12')).toThrow(RangeError);
  });
});

describe('colour bands (IEC 60062)', () => {
  test.each([
    [['brown', 'black', 'red', 'gold'], 1000],
    [['red', 'violet', 'black', 'gold'], 27],
    [['yellow', 'violet', 'red', 'gold'], 4700],
  ] as const)('%j is %d ohm', (bands, ohms) => {
    expect(ohmsOf(bands)).toEqual({ ohms, tolerance: 0.05 });
    expect(bandsOf(ohms)).toEqual(bands);
  });
  test('both ways for every pair of figures and multiplier', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 99 }), fc.integer({ min: -2, max: 7 }), (figures, power) => {
        const ohms = Number(`${figures}e${power}`);
        expect(ohmsOf(bandsOf(ohms)).ohms).toBeCloseTo(ohms, 9);
      }),
    );
  });
  test('five bands have three figures', () => {
    expect(ohmsOf(['orange', 'orange', 'violet', 'brown', 'brown'])).toEqual({ ohms: 3370, tolerance: 0.01 });
  });
  test('what the code cannot say is refused', () => {
    expect(() => bandsOf(4711)).toThrow(/bands cannot say/);
    expect(() => bandsOf(471, 0.05, 4)).toThrow(/4 bands/);
    expect(() => ohmsOf(['gold', 'black', 'red', 'gold'])).toThrow(/not figures/);
    expect(() => ohmsOf(['red', 'black', 'red', 'black'])).toThrow(/not a tolerance/);
    expect(bandColours).toHaveLength(12);
  });
});

describe('lamps', () => {
  test.each(Object.values(leds))('$id passes its test current at its forward voltage', (led) => {
    const model = fitLed(led);
    const out = new Float64Array(2);
    junctionCurrent(
      led.forwardVolts - led.testAmps * led.seriesOhms,
      model.saturationAmps,
      model.emission * ((1.380649e-23 / 1.602176634e-19) * 300.15),
      Infinity,
      out,
    );
    expect(out[0]).toBeCloseTo(led.testAmps, 9);
  });
  test('white wants about 3 V, red about 2 V (common practice, no source)', () => {
    expect(leds['white-warm'].forwardVolts).toBeCloseTo(3, 0);
    expect(leds.red.forwardVolts).toBeCloseTo(2, 0);
  });
  test('light follows current, and none comes backwards', () => {
    expect(lumensAt(leds.red, 0.01)).toBeCloseTo(leds.red.lumens / 2, 12);
    expect(lumensAt(leds.red, -0.01)).toBe(0);
  });
  test('a resistance that takes the whole voltage is refused', () => {
    expect(() => fitLed({ forwardVolts: 2, testAmps: 0.02, emission: 2, seriesOhms: 200 })).toThrow(
      RangeError,
    );
  });
});

describe('bodies and cans', () => {
  test('1/8 W is enough for 750 ohm at 12 V (108 mW) and not at 15 V (common practice, no source)', () => {
    expect(bodyFor((12 - 3) ** 2 / 750)?.name).toBe('1/8 W');
    expect(bodyFor((15 - 3) ** 2 / 750)?.name).toBe('1/4 W');
    expect(bodyFor(40)).toBeNull();
  });
  test('25 V is wanted rather than 16 V behind a bridge on 14 V, and 25 V is too low at 26.9 V (common practice, no source)', () => {
    expect(ratingFor(14 - 0.7)).toBe(16);
    expect(ratingFor(15 - 0.7)).toBe(25);
    expect(ratingFor(26.9)).toBe(35);
    expect(ratingFor(99)).toBeNull();
  });
  test('sold capacitance and can', () => {
    expect(soldFarads(390e-6)).toBeCloseTo(470e-6, 12);
    expect(canSize(470e-6, 25).diameter).toBeGreaterThan(canSize(100e-6, 16).diameter);
  });
});
