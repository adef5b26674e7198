import { converter, formatHex } from 'culori';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { mcCamyKelvin, planckianXy, screenColour } from './colour';
import { lowRiskPercent, percentFlicker, worstFlicker } from './flicker';
import { lightness, shareOfLightness } from './lightness';
import { DAY_LUX, nearestWord, wantedWords, windowLightness, windowLightnessBy } from './wanted';

describe('lightness (CIE 1976)', () => {
  test('0.184 of the white is the middle; half, a tenth and a hundredth are 76, 38 and 9', () => {
    expect(lightness(0.184)).toBeCloseTo(50, 0);
    expect([0.5, 0.1, 0.01].map((s) => Math.round(lightness(s)))).toEqual([76, 38, 9]);
    expect([lightness(0), lightness(1)]).toEqual([0, 100]);
  });
  test('the inverse, on both sides of the toe', () => {
    for (const l of [0, 3, 8, 9, 40, 100]) expect(lightness(shareOfLightness(l))).toBeCloseTo(l, 9);
  });
});

describe('colour', () => {
  test('McCamy 1992 on illuminant A (2856 K) and D65 (6504 K)', () => {
    expect(Math.abs(mcCamyKelvin(0.44757, 0.40745) - 2856)).toBeLessThan(10);
    expect(Math.abs(mcCamyKelvin(0.31271, 0.32902) - 6504)).toBeLessThan(10);
  });
  test('Krystek 1985 and McCamy agree within 20 K where both hold', () => {
    for (const kelvin of [2200, 2700, 3000, 4000, 5000]) {
      const { x, y } = planckianXy(kelvin);
      expect(Math.abs(mcCamyKelvin(x, y) - kelvin)).toBeLessThan(20);
    }
  });
  test('warm is redder than cool on the screen', () => {
    const blue = (hex: string): number => parseInt(hex.slice(5), 16);
    expect(blue(screenColour({ kelvin: 2200 }))).toBeLessThan(blue(screenColour({ kelvin: 2700 })));
    expect(blue(screenColour({ kelvin: 2700 }))).toBeLessThan(blue(screenColour({ kelvin: 6500 })));
    expect(screenColour({ x: 0.69, y: 0.3 })).toMatch(/^#ff[0-3]/);
  });
});

describe('flicker (IEEE 1789-2015)', () => {
  test('the limits at their corners', () => {
    expect([50, 100, 1000, 2000].map(lowRiskPercent)).toEqual([1.25, 8, 80, Infinity]);
  });
  test('a sine of 30 % on 100 Hz is found as that', () => {
    const wave = Array.from(
      { length: 401 },
      (_, i) => [i / 400 / 100, 1 + 0.3 * Math.sin((2 * Math.PI * i) / 400)] as const,
    );
    const worst = worstFlicker(wave)!;
    expect(worst.hertz).toBeCloseTo(100, 6);
    expect(worst.percent).toBeCloseTo(30, 1);
  });
  test('percent flicker by its definition (IES): a square wave between a and b, a pulse that goes out, a rectified sine', () => {
    const square = (low: number, high: number) =>
      [
        [0, high],
        [0.005, high],
        [0.005, low],
        [0.01, low],
      ] as const;
    for (const [low, high] of [
      [0.5, 1],
      [0.2, 1.4],
      [0, 1],
    ] as const) {
      const expected = (100 * (high - low)) / (high + low);
      expect(percentFlicker(square(low, high))).toBeCloseTo(expected, 9);
      // A component may be told higher by Fourier’s sum; the published measure ends at 100.
      expect(worstFlicker(square(low, high))!.percent).toBeLessThanOrEqual(expected + 1e-9);
    }
    const pulse = [
      [0, 0],
      [0.0001, 1],
      [0.0002, 0],
      [0.01, 0],
    ] as const;
    expect(worstFlicker(pulse)!.percent).toBeLessThanOrEqual(100);
    expect(
      percentFlicker([
        [0, 0],
        [1, 0],
      ]),
    ).toBe(0);
  });
  test('steady light and darkness have none', () => {
    expect(
      worstFlicker([
        [0, 1],
        [0.02, 1],
      ])!.percent,
    ).toBeCloseTo(0, 9);
    expect(
      worstFlicker([
        [0, 0],
        [0.02, 0],
      ]),
    ).toBeNull();
  });
});

test('words ascend in even steps of lightness, and are their own nearest', () => {
  const levels = wantedWords.map((w) => windowLightness(w.lux));
  for (let i = 1; i < levels.length; i++) {
    expect(levels[i] - levels[i - 1]).toBeGreaterThan(12);
    expect(levels[i] - levels[i - 1]).toBeLessThan(20);
  }
  for (const w of wantedWords) expect(nearestWord(w.lux).id).toBe(w.id);
});

test('by day a window is told against a lit room, by night against a bright window', () => {
  expect(windowLightnessBy(DAY_LUX, 'day')).toBeCloseTo(100, 9);
  for (const lux of [5, 50, 200]) {
    expect(windowLightnessBy(lux, 'night')).toBe(windowLightness(lux));
    expect(windowLightnessBy(lux, 'day')).toBeLessThan(windowLightness(lux));
  }
});

describe('the screen colour of a light, against a general-purpose colour library', () => {
  const rgb = converter('rgb');
  /** The light at full brightness: what is outside sRGB cut off, as the library writes it. */
  const byLibrary = (x: number, y: number): string => {
    const { r, g, b } = rgb({ mode: 'xyz65', x: x / y, y: 1, z: (1 - x - y) / y });
    const most = Math.max(r, g, b);
    return formatHex({
      mode: 'rgb',
      r: Math.max(0, r) / most,
      g: Math.max(0, g) / most,
      b: Math.max(0, b) / most,
    });
  };
  test('black bodies from a candle to a blue sky', () => {
    for (let kelvin = 1500; kelvin <= 12_000; kelvin += 250) {
      const { x, y } = planckianXy(kelvin);
      expect(screenColour({ kelvin }), `${kelvin} K`).toBe(byLibrary(x, y));
    }
  });
  test('any chromaticity, inside sRGB and out of it', () => {
    const place = fc.record({
      x: fc.double({ min: 0.1, max: 0.65, noNaN: true }),
      y: fc.double({ min: 0.1, max: 0.33, noNaN: true }),
    });
    fc.assert(
      fc.property(place, ({ x, y }) => {
        expect(screenColour({ x, y })).toBe(byLibrary(x, y));
      }),
      { numRuns: 300, seed: 3 },
    );
  });
});
