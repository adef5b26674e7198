import { describe, expect, test } from 'vitest';
import { leds } from './led';
import { bendOf, kitPrice, mastStock, wrappedMillimetres, type MastName } from './lamp-kit';

/** What a resistor and two lengths of wire add (common practice, no source). */
const RESISTOR = 0.05;
const WIRE = 0.02;

test('a lamp from scraps costs about a third of a unit of money (common practice, no source)', () => {
  const kit = { mast: 'cotton-bud', hood: 'punched', base: 'washer', ball: true, wraps: 3 } as const;
  const price = kitPrice(kit, 50) + leds['white-warm'].price + RESISTOR + WIRE;
  expect(price).toBeGreaterThan(0.25);
  expect(price).toBeLessThan(0.42);
});
test('turned shade and socket cost more than everything else together', () => {
  const kit = { mast: 'brass-2', hood: 'turned', base: 'plug', ball: false, wraps: 0 } as const;
  expect(kitPrice(kit, 50)).toBeGreaterThan(0.8);
});

describe('a mast that is knocked', () => {
  test('2 mm brass, 50 mm high, by hand: I = pi (16 - 5.06)/64 = 0.537 mm4, F = 200 x 0.537/(1 x 50) = 2.1 N', () => {
    const { newtons, millimetres } = bendOf('brass-2', 50);
    expect(newtons).toBeCloseTo(2.15, 1);
    // F L^3/(3 E I) = 2.15 x 125000/(3 x 100000 x 0.537).
    expect(millimetres).toBeCloseTo(1.67, 1);
  });
  test('twice as high bears half the push and gives four times as far (the beam’s own scaling)', () => {
    for (const name of Object.keys(mastStock) as MastName[]) {
      const [short, tall] = [bendOf(name, 30), bendOf(name, 60)];
      expect(tall.newtons / short.newtons).toBeCloseTo(0.5, 9);
      expect(tall.millimetres / short.millimetres).toBeCloseTo(4, 9);
    }
  });
  test('plastic gives further than brass before it stays bent', () => {
    expect(bendOf('styrene-2.4', 50).millimetres).toBeGreaterThan(3 * bendOf('brass-2', 50).millimetres);
  });
});

test('each wrap of tape adds its thickness on both sides', () => {
  expect(wrappedMillimetres(2, 5)).toBeCloseTo(2 + 5 * 2 * 0.06, 9);
});
