import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { NAME_HEIGHT, NAME_LETTER, placing, roundSign, type Box } from './place-words';

const box = (x: number, y: number, width = 20, height = 10): Box => ({ x, y, width, height });
const touch = (a: Box, b: Box): boolean =>
  Math.abs(a.x - b.x) < (a.width + b.width) / 2 && Math.abs(a.y - b.y) < (a.height + b.height) / 2;

describe('placing boxes', () => {
  test('the first place that is free is taken, and is taken from then on', () => {
    const place = placing([box(0, 0)]);
    const offered = [box(0, 0), box(5, 0), box(40, 0), box(80, 0)];
    expect(place(offered)).toBe(offered[2]);
    expect(place(offered)).toBe(offered[3]);
  });
  test('where none is free, that which covers least', () => {
    const place = placing([box(0, 0), box(100, 0)]);
    const offered = [box(2, 0), box(95, 0), box(84, 0)];
    expect(place(offered)).toBe(offered[2]);
  });
  test('what was there before is not changed', () => {
    const there = [box(0, 0)];
    placing(there)([box(50, 50)]);
    expect(there).toEqual([box(0, 0)]);
  });
  test('with room enough for all, none covers another', () => {
    fc.assert(
      fc.property(fc.array(fc.nat({ max: 6 }), { minLength: 2, maxLength: 20 }), (wishes) => {
        const place = placing([]);
        const offered = (first: number): Box[] => {
          const all = Array.from({ length: 24 }, (_, k) => box(30 * k, 0));
          return [...all.slice(first), ...all.slice(0, first)];
        };
        const placed = wishes.map((w) => place(offered(w)));
        placed.forEach((a, i) => placed.slice(i + 1).forEach((b) => expect(touch(a, b)).toBe(false)));
      }),
    );
  });
});

describe('a name round its sign', () => {
  const signs = fc.record({
    x: fc.integer({ min: 0, max: 900 }),
    y: fc.integer({ min: 40, max: 400 }),
    width: fc.integer({ min: 8, max: 60 }),
    height: fc.integer({ min: 8, max: 24 }),
  });
  test('over and under, never on it, and within the drawing', () => {
    fc.assert(
      fc.property(signs, fc.string({ minLength: 1, maxLength: 60 }), (sign, name) => {
        const places = roundSign(name, sign, 900);
        for (const p of places) {
          expect(p.height).toBe(NAME_HEIGHT);
          expect(p.width).toBeCloseTo(NAME_LETTER * p.text.length, 9);
        }
        const [over, under] = places;
        expect(over.y).toBeLessThan(sign.y - sign.height / 2);
        expect(under.y).toBeGreaterThan(sign.y + sign.height / 2);
        for (const p of [over, under]) {
          expect(p.x - p.width / 2).toBeGreaterThanOrEqual(0);
          expect(p.x + p.width / 2).toBeLessThanOrEqual(900);
        }
      }),
    );
  });
  test('a long one is cut, a short one is not', () => {
    expect(roundSign('Ice house', box(100, 100), 900)[0].text).toBe('Ice house');
    const [{ text }] = roundSign('The signal box at the far end of the quay', box(400, 100), 900);
    expect(text).toHaveLength(26);
    expect(text.endsWith('…')).toBe(true);
  });
});
